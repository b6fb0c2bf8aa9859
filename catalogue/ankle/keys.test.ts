import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('ankle', {
  'ankle-anterior-drawer': [
    ['ankle-atfl-tear', { 'declared-glide': 'grade-3' }],
    ['two-outer-ligaments', { 'declared-glide': 'grade-3' }],
    ['deltoid-sprain', { 'declared-glide': 'grade-0' }],
  ],
  // Knee straight or bent tells the muscle over two joints from joint and deep muscle.
  'ankle-df-straight-bent': [
    ['gastrocnemius-tightness', { limit: 'gastrocnemius' }],
    ['stiff-ankle', { limit: 'soleus' }],
  ],
  'ankle-dorsiflexion-plantarflexion-rom': [
    ['stiff-ankle', { loss: 'positive' }],
    ['gastrocnemius-tightness', { loss: 'negative' }],
  ],
  'ankle-external-rotation-stress': [
    ['high-ankle-sprain', { site: 'high' }],
    ['deltoid-sprain', { site: 'inner' }],
    ['midfoot-sprain', { site: 'none' }],
  ],
  'ankle-foot-palpation': [
    ['high-ankle-sprain', { tender: 'high' }],
    ['deltoid-sprain', { tender: 'inner' }],
    ['midfoot-sprain', { tender: 'midfoot' }],
  ],
  'ankle-inspection-palpation': [
    ['deltoid-sprain', { tender: 'inner' }],
    ['midfoot-sprain', { tender: 'midfoot' }],
    ['achilles-rupture', { tender: 'achilles' }],
  ],
  'ankle-inspection': [
    ['ankle-atfl-tear', { seen: 'outer' }],
    ['high-ankle-sprain', { seen: 'high' }],
    ['achilles-rupture', { seen: 'achilles' }],
    ['gastrocnemius-tightness', { seen: 'none' }],
  ],
  'ankle-posterior-drawer': [
    ['all-outer-ligaments', { grade: 'grade-2' }],
    ['two-outer-ligaments', { grade: 'grade-0' }],
  ],
  'ankle-range-passive': [
    ['gastrocnemius-tightness', { short: 'none' }],
    // Not short, but painful: the finding names either.
    ['midfoot-sprain', { short: 'midfoot' }],
  ],
  'calf-squeeze': [
    ['achilles-rupture', { motion: 'positive', gap: 'positive' }],
    ['gastrocnemius-tightness', { motion: 'negative', gap: 'negative' }],
  ],
  'forefoot-abduction-adduction-rom': [
    ['midfoot-sprain', { pain: 'positive' }],
    ['deltoid-sprain', { pain: 'negative' }],
  ],
  'great-toe-extension': [
    ['stiff-big-toe', { limited: 'positive' }],
    ['midfoot-sprain', { limited: 'negative' }],
  ],
  'hindfoot-inversion-eversion-rom': [
    ['stiff-ankle', { stiff: 'positive' }],
    ['two-outer-ligaments', { stiff: 'negative' }],
  ],
  'subtalar-inversion-eversion': [
    ['stiff-ankle', { stiff: 'positive' }],
    ['deltoid-sprain', { stiff: 'negative' }],
  ],
  'syndesmosis-squeeze': [
    ['high-ankle-sprain', { pain: 'positive' }],
    ['ankle-atfl-tear', { pain: 'negative' }],
  ],
  // Three positions of the ankle for three ligaments.
  'talar-tilt-plantarflexed': [
    ['ankle-atfl-tear', { grade: 'grade-3' }],
    ['two-outer-ligaments', { grade: 'grade-3' }],
    ['deltoid-sprain', { grade: 'grade-0' }],
  ],
  'talar-tilt-neutral': [
    ['two-outer-ligaments', { direction: 'inward' }],
    ['deltoid-sprain', { direction: 'outward' }],
    ['ankle-atfl-tear', { direction: 'none' }],
  ],
  'talar-tilt-dorsiflexed': [
    ['all-outer-ligaments', { lax: 'positive' }],
    ['two-outer-ligaments', { lax: 'negative' }],
    ['high-ankle-sprain', { lax: 'negative', front: 'positive' }],
  ],
});
