import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('knee', {
  'anterior-drawer-knee': [
    ['pcl-rupture', { grade: 'grade-0', 'end-point': 'negative' }],
    ['mcl-tear', { grade: 'grade-0' }],
  ],
  'apley-compression-distraction': [
    // A ligament hurts whenever the shin is turned, weight or pull.
    ['mcl-tear', { stages: 'both' }],
  ],
  'bounce-home-extension': [['acl-rupture', { springy: 'negative' }]],
  'clarke-compression-contraction': [['patellar-tendinopathy', { result: 'negative' }]],
  // Fear, not pain.
  'patellar-apprehension-extended': [['patellofemoral-wear', { reaction: 'equivocal' }]],
  'functional-comparators': [['acl-rupture', { pain: 'negative' }]],
  'posterior-sag-sign': [
    ['acl-rupture', { sag: 'negative' }],
    ['mcl-tear', { sag: 'negative' }],
  ],
  'joint-line-tenderness': [
    // The confounder that the procedure names: the ligament lies over the inner line.
    ['pcl-rupture', { 'tender-line': 'none' }],
  ],
  'knee-block-end-feel': [['medial-meniscus-fray', { springy: 'negative', limited: 'negative' }]],
  'knee-inspection-warmth': [['knee-effusion-large', { swelling: 'positive' }]],
  'lachman-thigh-over-knee': [
    ['acl-rupture', { grade: 'grade-3', 'end-point': 'positive' }],
    ['pcl-rupture', { grade: 'grade-0', 'end-point': 'negative' }],
  ],
  // The heel points to the meniscus that is meant.
  'mcmurray-rotation-extension': [
    ['mcl-tear', { 'outward-result': 'negative', 'inward-result': 'negative' }],
  ],
  'thessaly-weight-bearing-twist': [['patellofemoral-pain', { 'painful-line': 'none' }]],
  'renne-weight-bearing-compression': [['patellofemoral-pain', { result: 'negative' }]],
  // A tap needs enough fluid to float the kneecap; a small effusion shows by the bulge only.
  'suprapatellar-squeeze': [['knee-arthritis', { fluid: 'negative' }]],
  'patellar-grind-mobilise': [['patellar-instability', { 'loaded-pain': 'negative' }]],
  'posterior-lachman': [['plc-injury', { grade: 'grade-3' }]],
  'slow-step-down': [['mcl-sprain', { pain: 'negative' }]],
});
