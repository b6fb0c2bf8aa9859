import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('wrist', {
  'ain-motor-check': [
    ['ain-palsy', { flat: 'positive' }],
    ['pronator-syndrome', { flat: 'negative' }],
  ],
  'epb-entrapment-followup': [
    ['de-quervain', { loads: 'straightening' }],
    ['thumb-base-arthritis', { loads: 'lifting' }],
  ],
  'finkelstein-staged': [
    ['de-quervain', { grade: 'grade-2' }],
    ['thumb-base-arthritis', { grade: 'grade-0' }],
  ],
  'first-dorsal-compartment-palpation': [
    ['de-quervain', { tender: 'tendon' }],
    ['thumb-base-arthritis', { tender: 'base' }],
  ],
  'thenar-hypothenar-inspection': [
    ['cubital-tunnel', { wasted: 'hypothenar' }],
    // Irritation that comes and goes does not waste a muscle.
    ['pronator-syndrome', { wasted: 'none' }],
  ],
});
