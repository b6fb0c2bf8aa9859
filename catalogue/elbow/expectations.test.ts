import { expectKeys } from '../expectKeys.ts';

// From memory of the textbooks, written down before the data were touched: every procedure with a
// patient who is positive, one who looks alike and is not, and one in whom it cannot be done.
expectKeys('elbow, from the textbooks', {
  'elbow-active-rom-hyperextension': [
    ['stiff-elbow', { loss: 'positive', beyond: 'negative' }],
    ['loose-elbow', { loss: 'negative', beyond: 'positive' }],
    ['swollen-elbow', { loss: 'positive', beyond: 'negative' }],
    ['cubital-tunnel', { loss: 'negative', beyond: 'negative' }],
  ],
  'elbow-carrying-angle': [
    ['stiff-elbow', { unreadable: 'positive' }],
    ['medial-elbow-tendinopathy', { unreadable: 'negative' }],
  ],
  'elbow-extension-mmt': [
    ['triceps-tear', { weak: 'positive' }],
    ['elbow-flexor-weakness', { weak: 'negative' }],
  ],
  'elbow-flexion-extension-goniometry': [
    ['stiff-elbow', { loss: 'positive' }],
    ['swollen-elbow', { loss: 'positive' }],
    ['lateral-elbow-tendinopathy', { loss: 'negative' }],
  ],
  'elbow-flexion-mmt': [
    ['elbow-flexor-weakness', { weak: 'positive' }],
    ['triceps-tear', { weak: 'negative' }],
  ],
  'elbow-inspection': [
    ['swollen-elbow', { full: 'positive' }],
    ['stiff-elbow', { full: 'negative' }],
  ],
  'elbow-passive-flexion-extension': [
    ['stiff-elbow', { loss: 'positive' }],
    ['triceps-tear', { loss: 'negative' }],
  ],
  'elbow-posterolateral-pivot-shift': [
    ['outer-elbow-instability', { result: 'positive' }],
    ['lateral-elbow-tendinopathy', { result: 'negative' }],
    ['inner-elbow-ligament-tear', { result: 'negative' }],
    // The arm does not come straight, where the pivot begins.
    ['stiff-elbow', { result: 'void' }],
  ],
  'elbow-valgus-stress': [
    ['inner-elbow-ligament-tear', { grade: 'grade-2', pain: 'positive' }],
    ['medial-elbow-tendinopathy', { grade: 'grade-0', pain: 'negative' }],
    ['outer-elbow-instability', { grade: 'grade-0' }],
  ],
  'elbow-varus-stress': [
    ['outer-elbow-instability', { grade: 'grade-1', pain: 'positive' }],
    ['inner-elbow-ligament-tear', { grade: 'grade-0', pain: 'negative' }],
  ],
  'forearm-rotation-active': [
    ['stiff-elbow', { loss: 'positive' }],
    ['cubital-tunnel', { loss: 'negative' }],
  ],
  'forearm-rotation-passive': [
    ['stiff-elbow', { loss: 'positive' }],
    ['radial-tunnel-pain', { loss: 'negative', pain: 'positive' }],
    ['medial-elbow-tendinopathy', { loss: 'negative', pain: 'negative' }],
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
    ['ain-palsy', { result: 'negative' }],
  ],
  'radial-tunnel-palpation': [
    ['radial-tunnel-pain', { site: 'tunnel' }],
    ['lateral-elbow-tendinopathy', { site: 'bump' }],
    ['nothing-wrong', { site: 'none' }],
  ],
  'resisted-finger-flexion-medial': [
    ['ain-palsy', { weak: 'index' }],
    ['cubital-tunnel', { weak: 'ulnar' }],
    ['medial-elbow-tendinopathy', { weak: 'none' }],
  ],
  'resisted-pronation-consistency-contrast': [
    ['medial-elbow-tendinopathy', { directions: 'pronation' }],
    ['radial-tunnel-pain', { directions: 'supination' }],
    ['irritated-forearm-joints', { directions: 'both' }],
    ['nothing-wrong', { directions: 'none' }],
  ],
  'resisted-pronation-medial': [
    ['medial-elbow-tendinopathy', { site: 'bump' }],
    ['pronator-syndrome', { site: 'nerve' }],
    ['lateral-elbow-tendinopathy', { site: 'none' }],
  ],
  'resisted-supination-radial-tunnel': [
    ['radial-tunnel-pain', { site: 'supinator', weak: 'negative' }],
    ['lateral-elbow-tendinopathy', { site: 'none' }],
    ['elbow-flexor-weakness', { site: 'none', weak: 'positive' }],
  ],
  'resisted-wrist-extension-two-position': [
    ['lateral-elbow-tendinopathy', { positions: 'both' }],
    ['early-lateral-tendinopathy', { positions: 'straight' }],
    ['radial-tunnel-pain', { positions: 'none' }],
    // The straight form cannot be reached.
    ['stiff-elbow', { positions: 'void' }],
  ],
  'resisted-wrist-flexion-medial': [
    ['medial-elbow-tendinopathy', { pain: 'positive' }],
    ['inner-elbow-ligament-tear', { pain: 'negative' }],
  ],
  'ulnar-nerve-compression-flat': [
    ['cubital-tunnel', { result: 'positive' }],
    ['pronator-syndrome', { result: 'negative' }],
  ],
  'ulnar-nerve-compression-flexed': [
    ['cubital-tunnel', { result: 'positive' }],
    ['medial-elbow-tendinopathy', { result: 'negative' }],
    // The elbow does not bend fully.
    ['stiff-elbow', { result: 'void' }],
  ],
  'ulnar-nerve-percussion-elbow': [
    ['cubital-tunnel', { tingling: 'positive' }],
    ['ain-palsy', { tingling: 'negative' }],
  ],
  'ulnar-nerve-subluxation': [
    // The first degree rides up onto the bump and back.
    ['slipping-ulnar-nerve', { class: 'equivocal' }],
    ['cubital-tunnel', { class: 'negative' }],
    ['stiff-elbow', { class: 'void' }],
  ],
});
