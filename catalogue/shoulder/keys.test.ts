import { expectKeys } from '../expectKeys.ts';

// Common practice, no source: worked out by hand from anatomy and the procedures' rules, not read
// off the derivation.
expectKeys('shoulder', {
  // Fear, not pain.
  'apprehension-90-90': [
    ['shoulder-instability', { 'declared-result': 'positive' }],
    ['subacromial-pain', { 'declared-result': 'equivocal' }],
  ],
  'belly-press': [
    ['subscapularis-tear', { sign: 'positive' }],
    ['posterior-cuff-tear', { sign: 'negative' }],
  ],
  'lift-off': [
    ['subscapularis-tear', { lift: 'positive' }],
    ['posterior-cuff-tear', { lift: 'negative' }],
  ],
  'biceps-load-ii': [
    ['slap-tear', { pain: 'positive' }],
    ['ac-joint-pain', { pain: 'negative' }],
  ],
  // Pain on top speaks for the joint, tightness behind for the capsule.
  'cross-body-adduction': [
    ['ac-joint-pain', { pain: 'positive', stiff: 'negative' }],
    ['tight-posterior-capsule', { pain: 'negative', stiff: 'positive' }],
  ],
  'cross-body-self': [
    ['ac-joint-pain', { pain: 'positive' }],
    ['subacromial-pain', { pain: 'negative' }],
  ],
  'er90-strength': [
    ['posterior-cuff-tear', { weak: 'positive' }],
    ['supraspinatus-tear', { weak: 'negative' }],
  ],
  'infraspinatus-er-side': [
    ['posterior-cuff-tear', { weak: 'positive', stiff: 'negative' }],
    ['frozen-shoulder', { weak: 'negative', stiff: 'positive' }],
  ],
  'supraspinatus-strength': [
    ['supraspinatus-tear', { weak: 'positive', pain: 'positive' }],
    ['subacromial-pain', { weak: 'negative', pain: 'positive' }],
    ['posterior-cuff-tear', { weak: 'negative', pain: 'negative' }],
  ],
  'girdle-1-scapular-back-tilt': [
    ['stiff-girdle', { behind: 'positive' }],
    ['frozen-shoulder', { behind: 'void' }],
  ],
  'girdle-2-clavicle-motion': [
    ['stiff-girdle', { roll: 'positive' }],
    ['stiff-neck-base', { roll: 'negative' }],
  ],
  'girdle-3-inferior-angle-drop': [
    ['stiff-girdle', { drop: 'positive' }],
    ['tight-posterior-capsule', { drop: 'negative' }],
  ],
  'girdle-4-cervicothoracic-coupling': [
    ['stiff-neck-base', { felt: 'positive' }],
    ['stiff-girdle', { felt: 'negative' }],
  ],
  'girdle-5-horizontal-adduction-fixed-free': [
    ['tight-posterior-capsule', { held: 'positive' }],
    ['ac-joint-pain', { held: 'negative' }],
  ],
  'hand-behind-back-reach': [
    ['frozen-shoulder', { lower: 'positive' }],
    ['tight-posterior-capsule', { lower: 'positive' }],
    ['ac-joint-pain', { lower: 'negative' }],
  ],
  'hawkins-kennedy': [
    ['subacromial-pain', { result: 'positive' }],
    ['supraspinatus-tear', { result: 'positive' }],
    ['slap-tear', { result: 'negative' }],
  ],
  jerk: [
    ['posterior-labrum-tear', { pain: 'positive' }],
    ['slap-tear', { pain: 'negative' }],
  ],
  kim: [
    ['posterior-labrum-tear', { pain: 'positive' }],
    ['slap-tear', { pain: 'negative' }],
  ],
  'kim-jerk-combined': [
    ['posterior-labrum-tear', { set: 'positive' }],
    ['shoulder-instability', { set: 'negative' }],
  ],
  'scapular-plane-elevation': [
    ['subacromial-pain', { arc: 'positive', blade: 'negative' }],
    ['stiff-girdle', { arc: 'negative', blade: 'positive' }],
  ],
  'shoulder-inspect-palpate': [
    ['ac-joint-pain', { tender: 'outer' }],
    ['biceps-tendon', { tender: 'groove' }],
    ['frozen-shoulder', { tender: 'none' }],
  ],
  speed: [
    ['biceps-tendon', { groove: 'positive' }],
    ['subacromial-pain', { groove: 'negative' }],
  ],
  yergason: [
    ['biceps-tendon', { groove: 'positive' }],
    ['slap-tear', { groove: 'negative' }],
  ],
  'tape-er0': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['subacromial-pain', { loss: 'negative' }],
  ],
  'tape-hand-behind-back': [
    ['frozen-shoulder', { gap: 'positive' }],
    ['ac-joint-pain', { gap: 'negative' }],
  ],
  'tape-horizontal-adduction': [
    ['tight-posterior-capsule', { gap: 'positive' }],
    ['frozen-shoulder', { gap: 'positive' }],
    ['biceps-tendon', { gap: 'negative' }],
  ],
  'tape-overhead-pull': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['supraspinatus-tear', { loss: 'positive' }],
    ['ac-joint-pain', { loss: 'negative' }],
  ],
  'tape-wall-reach': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['supraspinatus-tear', { loss: 'positive' }],
    ['biceps-tendon', { loss: 'negative' }],
  ],
});
