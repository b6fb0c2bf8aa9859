import { expectKeys } from '../expectKeys.ts';

// Further patients, beside those of expectations.test.ts. Common practice, no source: worked out by
// hand from anatomy and the procedures' rules, not read off the derivation.
expectKeys('shoulder', {
  // Fear, not pain.
  // Pain on top speaks for the joint, tightness behind for the capsule.
  'er90-strength': [['supraspinatus-tear', { weak: 'negative' }]],
  'supraspinatus-strength': [['posterior-cuff-tear', { weak: 'negative', pain: 'negative' }]],
  'girdle-2-clavicle-motion': [['stiff-neck-base', { roll: 'negative' }]],
  'girdle-3-inferior-angle-drop': [['tight-posterior-capsule', { drop: 'negative' }]],
  'girdle-5-horizontal-adduction-fixed-free': [['ac-joint-pain', { held: 'negative' }]],
  'hand-behind-back-reach': [['ac-joint-pain', { lower: 'negative' }]],
  'hawkins-kennedy': [['slap-tear', { result: 'negative' }]],
  jerk: [['slap-tear', { pain: 'negative' }]],
  'kim-jerk-combined': [['shoulder-instability', { set: 'negative' }]],
  'shoulder-inspect-palpate': [['frozen-shoulder', { tender: 'none' }]],
  speed: [['subacromial-pain', { groove: 'negative' }]],
  yergason: [['slap-tear', { groove: 'negative' }]],
  'tape-er0': [['subacromial-pain', { loss: 'negative' }]],
  'tape-hand-behind-back': [['ac-joint-pain', { gap: 'negative' }]],
  'tape-horizontal-adduction': [['biceps-tendon', { gap: 'negative' }]],
  'tape-overhead-pull': [['ac-joint-pain', { loss: 'negative' }]],
  'tape-wall-reach': [['biceps-tendon', { loss: 'negative' }]],
});
