import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('hip', {
  // The muscle over two joints shows with the knee bent; the one over the hip alone does not.
  'ely-prone': [
    ['rectus-tightness', { lift: 'positive' }],
    ['hip-flexor-tightness', { lift: 'negative' }],
  ],
  'thomas-supine': [
    ['hip-flexor-tightness', { lift: 'positive' }],
    ['rectus-tightness', { lift: 'negative' }],
    ['hip-arthritis', { lift: 'positive' }],
  ],
  'modified-thomas': [
    ['hip-flexor-tightness', { short: 'one-joint' }],
    ['rectus-tightness', { short: 'rectus' }],
    ['band-tightness-hip', { short: 'band' }],
    ['hamstring-tightness', { short: 'none' }],
  ],
  'hip-extension-standing': [
    ['hip-flexor-tightness', { short: 'positive' }],
    ['hip-arthritis', { short: 'positive' }],
    ['hamstring-tightness', { short: 'negative' }],
  ],
  // The site of the pain is the result.
  faber: [
    ['hip-irritation', { 'site-meaning': 'hip' }],
    ['sacroiliac-pain', { 'site-meaning': 'sacroiliac' }],
    ['adductor-strain', { 'site-meaning': 'none' }],
  ],
  'hamstring-90-90': [
    ['hamstring-tightness', { short: 'positive', nerve: 'negative' }],
    ['sciatic-irritation', { nerve: 'positive' }],
  ],
  'slr-range': [
    ['hamstring-tightness', { range: 'positive', nerve: 'negative' }],
    ['sciatic-irritation', { nerve: 'positive' }],
    ['rectus-tightness', { range: 'negative', nerve: 'negative' }],
  ],
  'hip-abduction-pelvic-monitor': [
    ['adductor-strain', { short: 'positive', pain: 'positive' }],
    ['hip-arthritis', { short: 'positive' }],
    ['abductor-weakness', { short: 'negative', pain: 'negative' }],
  ],
  'hip-adduction': [
    ['hip-arthritis', { short: 'positive' }],
    ['adductor-strain', { short: 'negative' }],
  ],
  'hip-flexion-lumbar-monitor': [
    ['hip-arthritis', { deficit: 'positive' }],
    ['hamstring-tightness', { deficit: 'negative' }],
  ],
  'hip-range-passive': [
    ['hip-arthritis', { short: 'positive' }],
    ['hip-irritation', { short: 'positive' }],
    ['rectus-tightness', { short: 'negative' }],
  ],
  'hip-rotation-90-90': [
    ['hip-irritation', { pain: 'positive', loss: 'negative' }],
    ['hip-arthritis', { loss: 'positive' }],
    ['hamstring-tightness', { pain: 'negative', loss: 'negative' }],
  ],
  ober: [
    ['band-tightness-hip', { drop: 'positive' }],
    ['hip-flexor-tightness', { drop: 'negative' }],
    ['band-friction-knee', { drop: 'negative' }],
  ],
  'ober-band-provocation': [
    ['band-friction-knee', { site: 'knee' }],
    ['band-tightness-hip', { site: 'hip' }],
  ],
  trendelenburg: [
    ['abductor-weakness', { drop: 'positive' }],
    ['hip-irritation', { drop: 'negative' }],
  ],
});
