import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('hip', {
  // The muscle over two joints shows with the knee bent; the one over the hip alone does not.
  'thomas-supine': [['rectus-tightness', { lift: 'negative' }]],
  'modified-thomas': [['hamstring-tightness', { short: 'none' }]],
  'hip-extension-standing': [['hamstring-tightness', { short: 'negative' }]],
  // The site of the pain is the result.
  faber: [['adductor-strain', { 'site-meaning': 'none' }]],
  'slr-range': [['rectus-tightness', { range: 'negative', nerve: 'negative' }]],
  'hip-abduction-pelvic-monitor': [['abductor-weakness', { short: 'negative', pain: 'negative' }]],
  'hip-adduction': [['adductor-strain', { short: 'negative' }]],
  'hip-flexion-lumbar-monitor': [['hamstring-tightness', { deficit: 'negative' }]],
  'hip-range-passive': [['rectus-tightness', { short: 'negative' }]],
  'hip-rotation-90-90': [['hamstring-tightness', { pain: 'negative', loss: 'negative' }]],
  ober: [
    ['hip-flexor-tightness', { drop: 'negative' }],
    ['band-friction-knee', { drop: 'negative' }],
  ],
  trendelenburg: [['hip-irritation', { drop: 'negative' }]],
});
