import { expectKeys } from '../expectKeys.ts';

// From memory of the textbooks, written down before the data were touched: every procedure with a
// patient who is positive, one who looks alike and is not, and one in whom it cannot be done.
expectKeys('ankle, from the textbooks', {
  'ankle-anterior-drawer': [
    ['ankle-atfl-tear', { 'declared-glide': 'grade-3' }],
    ['all-outer-ligaments', { 'declared-glide': 'grade-3' }],
    ['high-ankle-sprain', { 'declared-glide': 'grade-0' }],
    ['deltoid-sprain', { 'declared-glide': 'grade-0' }],
    ['nothing-wrong', { 'declared-glide': 'grade-0' }],
  ],
  'ankle-df-straight-bent': [
    ['gastrocnemius-tightness', { limit: 'gastrocnemius' }],
    ['stiff-ankle', { limit: 'soleus' }],
    ['nothing-wrong', { limit: 'none' }],
  ],
  'ankle-dorsiflexion-plantarflexion-rom': [
    ['stiff-ankle', { loss: 'positive' }],
    ['stiff-big-toe', { loss: 'negative' }],
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
    // Torn a week ago: tender, however complete.
    ['fresh-outer-ligament-tear', { tender: 'outer' }],
    ['stiff-big-toe', { tender: 'none' }],
  ],
  'ankle-inspection-palpation': [
    ['achilles-rupture', { tender: 'achilles' }],
    ['midfoot-sprain', { tender: 'midfoot' }],
    ['deltoid-sprain', { tender: 'inner' }],
    ['fresh-outer-ligament-tear', { tender: 'outer' }],
    ['gastrocnemius-tightness', { tender: 'none' }],
  ],
  'ankle-inspection': [
    ['fresh-outer-ligament-tear', { seen: 'outer' }],
    ['high-ankle-sprain', { seen: 'high' }],
    ['achilles-rupture', { seen: 'achilles' }],
    ['stiff-ankle', { seen: 'none' }],
  ],
  'ankle-posterior-drawer': [
    ['all-outer-ligaments', { grade: 'grade-2' }],
    ['ankle-atfl-tear', { grade: 'grade-0' }],
  ],
  'ankle-range-passive': [
    ['stiff-ankle', { short: 'ankle' }],
    ['midfoot-sprain', { short: 'midfoot' }],
    ['stiff-big-toe', { short: 'none' }],
  ],
  'calf-squeeze': [
    ['achilles-rupture', { motion: 'positive', gap: 'positive' }],
    ['gastrocnemius-tightness', { motion: 'negative', gap: 'negative' }],
    ['high-ankle-sprain', { motion: 'negative', gap: 'negative' }],
  ],
  'forefoot-abduction-adduction-rom': [
    ['midfoot-sprain', { pain: 'positive' }],
    ['ankle-atfl-tear', { pain: 'negative' }],
  ],
  'great-toe-extension': [
    ['stiff-big-toe', { limited: 'positive' }],
    ['stiff-ankle', { limited: 'negative' }],
  ],
  'hindfoot-inversion-eversion-rom': [
    ['stiff-ankle', { stiff: 'positive' }],
    ['two-outer-ligaments', { stiff: 'negative' }],
  ],
  'subtalar-inversion-eversion': [
    ['stiff-ankle', { stiff: 'positive' }],
    ['midfoot-sprain', { stiff: 'negative' }],
  ],
  'syndesmosis-squeeze': [
    ['high-ankle-sprain', { pain: 'positive' }],
    ['ankle-atfl-tear', { pain: 'negative' }],
    ['deltoid-sprain', { pain: 'negative' }],
  ],
  'talar-tilt-dorsiflexed': [
    ['all-outer-ligaments', { lax: 'positive', front: 'negative' }],
    ['two-outer-ligaments', { lax: 'negative' }],
    ['high-ankle-sprain', { lax: 'negative', front: 'positive' }],
    // The foot does not come up.
    ['stiff-ankle', { lax: 'void' }],
  ],
  'talar-tilt-neutral': [
    ['two-outer-ligaments', { direction: 'inward' }],
    ['deltoid-sprain', { direction: 'outward' }],
    ['ankle-atfl-tear', { direction: 'none' }],
  ],
  'talar-tilt-plantarflexed': [
    ['ankle-atfl-tear', { grade: 'grade-3' }],
    ['high-ankle-sprain', { grade: 'grade-0' }],
  ],
});
