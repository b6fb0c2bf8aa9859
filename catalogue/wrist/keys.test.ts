import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('wrist', {
  'thenar-hypothenar-inspection': [
    // Irritation that comes and goes does not waste a muscle.
    ['pronator-syndrome', { wasted: 'none' }],
  ],
});
