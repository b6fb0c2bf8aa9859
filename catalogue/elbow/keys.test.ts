import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('elbow', {
  'elbow-carrying-angle': [['lateral-elbow-tendinopathy', { unreadable: 'negative' }]],
  'elbow-flexion-extension-goniometry': [
    // A full joint lies at rest in a half bend and does not straighten.
    ['cubital-tunnel', { loss: 'negative' }],
  ],
  'elbow-valgus-stress': [['outer-elbow-instability', { grade: 'grade-0', pain: 'negative' }]],
  'forearm-rotation-active': [['lateral-elbow-tendinopathy', { loss: 'negative' }]],
  'forearm-rotation-passive': [['stiff-elbow', { loss: 'positive', pain: 'negative' }]],
  // Both opposite resisted movements painful does not discriminate.
  'resisted-pronation-consistency-contrast': [['cubital-tunnel', { directions: 'none' }]],
  // A stretched muscle shows what a slack one hides.
  'resisted-wrist-extension-two-position': [['medial-elbow-tendinopathy', { positions: 'none' }]],
  'resisted-wrist-flexion-medial': [['lateral-elbow-tendinopathy', { pain: 'negative' }]],
  'ulnar-nerve-compression-flat': [['medial-elbow-tendinopathy', { result: 'negative' }]],
  'ulnar-nerve-compression-flexed': [['pronator-syndrome', { result: 'negative' }]],
  'ulnar-nerve-percussion-elbow': [['medial-elbow-tendinopathy', { tingling: 'negative' }]],
  // A nerve may slip without being squeezed, and be squeezed without slipping.
  'pain-site-pointing': [
    ['lateral-elbow-tendinopathy', { class: 'point' }],
    ['radial-tunnel-pain', { class: 'line' }],
  ],
});
