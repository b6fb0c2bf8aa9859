import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('elbow', {
  'elbow-active-rom-hyperextension': [
    ['stiff-elbow', { loss: 'positive', beyond: 'negative' }],
    ['loose-elbow', { loss: 'negative', beyond: 'positive' }],
  ],
  'elbow-carrying-angle': [
    ['stiff-elbow', { unreadable: 'positive' }],
    ['lateral-elbow-tendinopathy', { unreadable: 'negative' }],
  ],
  'elbow-flexion-extension-goniometry': [
    ['stiff-elbow', { loss: 'positive' }],
    // A full joint lies at rest in a half bend and does not straighten.
    ['swollen-elbow', { loss: 'positive' }],
    ['cubital-tunnel', { loss: 'negative' }],
  ],
  'elbow-passive-flexion-extension': [
    ['stiff-elbow', { loss: 'positive' }],
    ['triceps-tear', { loss: 'negative' }],
  ],
  'elbow-extension-mmt': [
    ['triceps-tear', { weak: 'positive' }],
    ['elbow-flexor-weakness', { weak: 'negative' }],
  ],
  'elbow-flexion-mmt': [
    ['elbow-flexor-weakness', { weak: 'positive' }],
    ['triceps-tear', { weak: 'negative' }],
  ],
  'elbow-inspection': [
    ['swollen-elbow', { full: 'positive' }],
    ['stiff-elbow', { full: 'negative' }],
  ],
  'elbow-posterolateral-pivot-shift': [
    ['outer-elbow-instability', { result: 'positive' }],
    ['inner-elbow-ligament-tear', { result: 'negative' }],
  ],
  'elbow-valgus-stress': [
    ['inner-elbow-ligament-tear', { grade: 'grade-2', pain: 'positive' }],
    ['outer-elbow-instability', { grade: 'grade-0', pain: 'negative' }],
  ],
  'elbow-varus-stress': [
    ['outer-elbow-instability', { grade: 'grade-1', pain: 'positive' }],
    ['inner-elbow-ligament-tear', { grade: 'grade-0', pain: 'negative' }],
  ],
  'forearm-rotation-active': [
    ['stiff-elbow', { loss: 'positive' }],
    ['lateral-elbow-tendinopathy', { loss: 'negative' }],
  ],
  'forearm-rotation-passive': [
    ['stiff-elbow', { loss: 'positive', pain: 'negative' }],
    ['radial-tunnel-pain', { loss: 'negative', pain: 'positive' }],
  ],
  'lateral-epicondyle-palpation': [
    ['lateral-elbow-tendinopathy', { tender: 'tendon' }],
    ['radial-tunnel-pain', { tender: 'supinator' }],
    ['medial-elbow-tendinopathy', { tender: 'none' }],
  ],
  'medial-epicondyle-palpation': [
    ['medial-elbow-tendinopathy', { tender: 'tendon' }],
    ['inner-elbow-ligament-tear', { tender: 'ligament' }],
    ['cubital-tunnel', { tender: 'nerve' }],
    ['lateral-elbow-tendinopathy', { tender: 'none' }],
  ],
  'median-nerve-forearm-compression': [
    ['pronator-syndrome', { result: 'positive' }],
    ['cubital-tunnel', { result: 'negative' }],
  ],
  'radial-tunnel-palpation': [
    ['radial-tunnel-pain', { site: 'tunnel' }],
    ['lateral-elbow-tendinopathy', { site: 'bump' }],
  ],
  'resisted-finger-flexion-medial': [
    ['cubital-tunnel', { weak: 'ulnar' }],
    ['ain-palsy', { weak: 'index' }],
    ['medial-elbow-tendinopathy', { weak: 'none' }],
  ],
  // Both opposite resisted movements painful does not discriminate.
  'resisted-pronation-consistency-contrast': [
    ['radial-tunnel-pain', { directions: 'supination' }],
    ['medial-elbow-tendinopathy', { directions: 'pronation' }],
    ['irritated-forearm-joints', { directions: 'both' }],
    ['cubital-tunnel', { directions: 'none' }],
  ],
  'resisted-pronation-medial': [
    ['medial-elbow-tendinopathy', { site: 'bump' }],
    ['pronator-syndrome', { site: 'nerve' }],
  ],
  'resisted-supination-radial-tunnel': [
    ['radial-tunnel-pain', { site: 'supinator', weak: 'negative' }],
    ['elbow-flexor-weakness', { site: 'none', weak: 'positive' }],
  ],
  // A stretched muscle shows what a slack one hides.
  'resisted-wrist-extension-two-position': [
    ['early-lateral-tendinopathy', { positions: 'straight' }],
    ['lateral-elbow-tendinopathy', { positions: 'both' }],
    ['medial-elbow-tendinopathy', { positions: 'none' }],
  ],
  'resisted-wrist-flexion-medial': [
    ['medial-elbow-tendinopathy', { pain: 'positive' }],
    ['lateral-elbow-tendinopathy', { pain: 'negative' }],
  ],
  'ulnar-nerve-compression-flat': [
    ['cubital-tunnel', { result: 'positive' }],
    ['medial-elbow-tendinopathy', { result: 'negative' }],
  ],
  'ulnar-nerve-compression-flexed': [
    ['cubital-tunnel', { result: 'positive' }],
    ['pronator-syndrome', { result: 'negative' }],
  ],
  'ulnar-nerve-percussion-elbow': [
    ['cubital-tunnel', { tingling: 'positive' }],
    ['medial-elbow-tendinopathy', { tingling: 'negative' }],
  ],
  // A nerve may slip without being squeezed, and be squeezed without slipping.
  'ulnar-nerve-subluxation': [
    ['slipping-ulnar-nerve', { class: 'positive' }],
    ['cubital-tunnel', { class: 'negative' }],
  ],
  'pain-site-pointing': [
    ['lateral-elbow-tendinopathy', { class: 'point' }],
    ['radial-tunnel-pain', { class: 'line' }],
  ],
});
