import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('ankle', {
  'ankle-anterior-drawer': [['two-outer-ligaments', { 'declared-glide': 'grade-3' }]],
  // Knee straight or bent tells the muscle over two joints from joint and deep muscle.
  'ankle-dorsiflexion-plantarflexion-rom': [['gastrocnemius-tightness', { loss: 'negative' }]],
  'ankle-inspection': [
    ['ankle-atfl-tear', { seen: 'outer' }],
    ['gastrocnemius-tightness', { seen: 'none' }],
  ],
  'ankle-posterior-drawer': [['two-outer-ligaments', { grade: 'grade-0' }]],
  'ankle-range-passive': [
    ['gastrocnemius-tightness', { short: 'none' }],
    // Not short, but painful: the finding names either.
  ],
  'forefoot-abduction-adduction-rom': [['deltoid-sprain', { pain: 'negative' }]],
  'great-toe-extension': [['midfoot-sprain', { limited: 'negative' }]],
  'subtalar-inversion-eversion': [['deltoid-sprain', { stiff: 'negative' }]],
  // Three positions of the ankle for three ligaments.
  'talar-tilt-plantarflexed': [
    ['two-outer-ligaments', { grade: 'grade-3' }],
    ['deltoid-sprain', { grade: 'grade-0' }],
  ],
});
