import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('knee', {
  'anterior-drawer-knee': [
    ['acl-rupture', { grade: 'grade-3', 'end-point': 'positive' }],
    ['acl-partial', { grade: 'grade-1' }],
    ['pcl-rupture', { grade: 'grade-0', 'end-point': 'negative' }],
    ['mcl-tear', { grade: 'grade-0' }],
  ],
  'apley-compression-distraction': [
    ['medial-meniscus-tear', { stages: 'press' }],
    ['lateral-meniscus-tear', { stages: 'press' }],
    // A ligament hurts whenever the shin is turned, weight or pull.
    ['mcl-sprain', { stages: 'both' }],
    ['mcl-tear', { stages: 'both' }],
    ['acl-rupture', { stages: 'none' }],
  ],
  'bounce-home-extension': [
    ['medial-meniscus-tear', { springy: 'positive' }],
    ['lateral-meniscus-tear', { springy: 'positive' }],
    ['medial-meniscus-fray', { springy: 'negative' }],
    ['acl-rupture', { springy: 'negative' }],
  ],
  'bulge-brush-effusion': [
    ['knee-effusion-small', { 'bulge-grade': 'grade-1' }],
    ['knee-effusion-large', { 'bulge-grade': 'grade-3' }],
  ],
  'clarke-compression-contraction': [
    ['patellofemoral-pain', { result: 'positive' }],
    ['patellofemoral-wear', { result: 'positive' }],
    ['patellar-tendinopathy', { result: 'negative' }],
  ],
  'external-rotation-recurvatum': [
    ['plc-injury', { recurvatum: 'positive' }],
    ['lcl-tear', { recurvatum: 'negative' }],
    ['acl-rupture', { recurvatum: 'negative' }],
  ],
  // Fear, not pain.
  'fairbank-apprehension-30': [
    ['patellar-instability', { reaction: 'positive' }],
    // Sore without fear: doubtful, since the audit; fear alone is the sign.
    ['patellofemoral-pain', { reaction: 'equivocal' }],
  ],
  'patellar-apprehension-extended': [
    ['patellar-instability', { reaction: 'positive' }],
    ['patellofemoral-wear', { reaction: 'equivocal' }],
  ],
  'functional-comparators': [
    ['patellofemoral-pain', { pain: 'positive' }],
    ['patellar-tendinopathy', { pain: 'positive' }],
    ['acl-rupture', { pain: 'negative' }],
  ],
  'godfrey-90-90-sag': [
    ['pcl-rupture', { sag: 'positive' }],
    ['acl-rupture', { sag: 'negative' }],
  ],
  'posterior-sag-sign': [
    ['pcl-rupture', { sag: 'positive' }],
    ['acl-rupture', { sag: 'negative' }],
    ['mcl-tear', { sag: 'negative' }],
  ],
  'joint-line-tenderness': [
    ['medial-meniscus-tear', { 'tender-line': 'medial' }],
    ['lateral-meniscus-tear', { 'tender-line': 'lateral' }],
    // The confounder that the procedure names: the ligament lies over the inner line.
    ['mcl-sprain', { 'tender-line': 'medial' }],
    ['pcl-rupture', { 'tender-line': 'none' }],
  ],
  'knee-block-end-feel': [
    ['medial-meniscus-tear', { springy: 'positive', limited: 'positive' }],
    ['medial-meniscus-fray', { springy: 'negative', limited: 'negative' }],
    ['knee-arthritis', { springy: 'negative', limited: 'positive' }],
  ],
  'knee-inspection-warmth': [['knee-effusion-large', { swelling: 'positive' }]],
  'knee-palpation-circuit': [
    ['tuberosity-traction', { 'tender-site': 'tuberosity' }],
    ['patellar-tendinopathy', { 'tender-site': 'tendon' }],
    ['medial-meniscus-tear', { 'tender-site': 'inner-line' }],
    ['lateral-meniscus-tear', { 'tender-site': 'outer-line' }],
    ['mcl-sprain', { 'tender-site': 'collateral' }],
  ],
  'lachman-anterior-translation': [
    ['acl-rupture', { 'declared-grade': 'grade-3', 'end-point': 'positive' }],
    ['acl-partial', { 'declared-grade': 'grade-1' }],
    ['pcl-rupture', { 'declared-grade': 'grade-0' }],
  ],
  'lachman-thigh-over-knee': [
    ['acl-rupture', { grade: 'grade-3', 'end-point': 'positive' }],
    ['pcl-rupture', { grade: 'grade-0', 'end-point': 'negative' }],
  ],
  // The heel points to the meniscus that is meant.
  'mcmurray-rotation-extension': [
    ['medial-meniscus-tear', { 'outward-result': 'positive', 'inward-result': 'negative' }],
    ['lateral-meniscus-tear', { 'outward-result': 'negative', 'inward-result': 'positive' }],
    ['mcl-tear', { 'outward-result': 'negative', 'inward-result': 'negative' }],
  ],
  'thessaly-weight-bearing-twist': [
    ['medial-meniscus-tear', { 'painful-line': 'medial' }],
    ['lateral-meniscus-tear', { 'painful-line': 'lateral' }],
    ['patellofemoral-pain', { 'painful-line': 'none' }],
  ],
  'noble-lateral-condyle-compression': [
    ['band-friction-knee', { result: 'positive' }],
    ['lateral-meniscus-tear', { result: 'negative' }],
  ],
  'renne-weight-bearing-compression': [
    ['band-friction-knee', { result: 'positive' }],
    ['patellofemoral-pain', { result: 'negative' }],
  ],
  // A tap needs enough fluid to float the kneecap; a small effusion shows by the bulge only.
  'patellar-ballottement': [
    ['knee-effusion-large', { tap: 'positive' }],
    ['knee-effusion-small', { tap: 'negative' }],
  ],
  'suprapatellar-squeeze': [
    ['knee-effusion-large', { fluid: 'positive' }],
    ['knee-arthritis', { fluid: 'negative' }],
  ],
  'patellar-glide-quadrants': [
    ['tight-outer-retinaculum', { class: 'tight-outer' }],
    ['patellar-instability', { class: 'loose-inner' }],
    ['patellofemoral-pain', { class: 'none' }],
  ],
  'patellar-grind-mobilise': [
    ['patellofemoral-pain', { 'loaded-pain': 'positive' }],
    ['patellar-instability', { 'loaded-pain': 'negative' }],
  ],
  'patellar-tilt-passive': [
    ['tight-outer-retinaculum', { tight: 'positive' }],
    ['patellar-instability', { tight: 'negative' }],
  ],
  'patellofemoral-crepitus-check': [
    ['patellofemoral-wear', { crepitus: 'positive' }],
    ['patellofemoral-pain', { crepitus: 'negative' }],
  ],
  'patellofemoral-passive-compression': [
    ['patellofemoral-pain', { result: 'positive' }],
    ['patellar-tendinopathy', { result: 'negative' }],
  ],
  'posterior-drawer-knee': [
    ['pcl-rupture', { grade: 'grade-3', 'end-point': 'positive' }],
    ['pcl-partial', { grade: 'grade-1' }],
    ['acl-rupture', { grade: 'grade-0', 'end-point': 'negative' }],
  ],
  'posterior-lachman': [
    ['pcl-rupture', { grade: 'grade-3' }],
    ['plc-injury', { grade: 'grade-3' }],
    ['acl-rupture', { grade: 'grade-0' }],
  ],
  'slow-step-down': [
    ['patellofemoral-pain', { pain: 'positive' }],
    ['patellar-tendinopathy', { pain: 'positive' }],
    ['mcl-sprain', { pain: 'negative' }],
  ],
  'valgus-stress-knee': [
    ['mcl-sprain', { grade: 'grade-0', pain: 'positive' }],
    ['mcl-tear', { grade: 'grade-2', pain: 'positive' }],
    ['lcl-tear', { grade: 'grade-0', pain: 'negative' }],
  ],
  'varus-stress-knee': [
    ['lcl-tear', { grade: 'grade-2' }],
    ['plc-injury', { grade: 'grade-3' }],
    ['mcl-tear', { grade: 'grade-0' }],
  ],
});
