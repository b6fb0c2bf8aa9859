import { expectKeys } from '../expectKeys.ts';

// From memory of the textbooks, written down before the data were touched: every procedure with a
// patient who is positive, one who looks alike and is not, and one in whom it cannot be done.
expectKeys('shoulder, from the textbooks', {
  'apprehension-90-90': [
    ['shoulder-instability', { 'declared-result': 'positive' }],
    // Pain in the throwing position without fear is not the sign.
    ['slap-tear', { 'declared-result': 'equivocal' }],
    ['subacromial-pain', { 'declared-result': 'equivocal' }],
    ['biceps-tendon', { 'declared-result': 'negative' }],
    ['supraspinatus-tear', { 'declared-result': 'equivocal' }],
    ['stiff-neck-base', { 'declared-result': 'negative' }],
    // The arm does not come to 90 degrees, so nothing was tested.
    ['frozen-shoulder', { 'declared-result': 'void' }],
    ['nothing-wrong', { 'declared-result': 'negative' }],
  ],
  'belly-press': [
    ['subscapularis-tear', { sign: 'positive' }],
    ['supraspinatus-tear', { sign: 'negative' }],
    ['posterior-cuff-tear', { sign: 'negative' }],
    ['nothing-wrong', { sign: 'negative' }],
  ],
  'biceps-load-ii': [
    ['slap-tear', { pain: 'positive' }],
    ['ac-joint-pain', { pain: 'negative' }],
    ['frozen-shoulder', { pain: 'void' }],
    ['nothing-wrong', { pain: 'negative' }],
  ],
  'cross-body-adduction': [
    ['ac-joint-pain', { pain: 'positive', stiff: 'negative' }],
    ['tight-posterior-capsule', { pain: 'negative', stiff: 'positive' }],
    // The arm stops short of the level at which it begins (second audit).
    ['frozen-shoulder', { pain: 'void', stiff: 'void' }],
    ['biceps-tendon', { pain: 'negative' }],
    ['nothing-wrong', { pain: 'negative', stiff: 'negative' }],
  ],
  'cross-body-self': [
    ['ac-joint-pain', { pain: 'positive' }],
    ['subacromial-pain', { pain: 'negative' }],
    ['tight-posterior-capsule', { pain: 'negative' }],
  ],
  'er90-strength': [
    ['posterior-cuff-tear', { weak: 'positive' }],
    ['subscapularis-tear', { weak: 'negative' }],
    ['frozen-shoulder', { weak: 'void' }],
    ['nothing-wrong', { weak: 'negative' }],
  ],
  'girdle-1-scapular-back-tilt': [
    ['stiff-girdle', { behind: 'positive' }],
    ['ac-joint-pain', { behind: 'negative' }],
    ['frozen-shoulder', { behind: 'void' }],
  ],
  'girdle-2-clavicle-motion': [
    ['stiff-girdle', { roll: 'positive' }],
    ['biceps-tendon', { roll: 'negative' }],
    ['frozen-shoulder', { roll: 'void' }],
  ],
  'girdle-3-inferior-angle-drop': [
    ['stiff-girdle', { drop: 'positive' }],
    ['subacromial-pain', { drop: 'negative' }],
    ['frozen-shoulder', { drop: 'void' }],
  ],
  'girdle-4-cervicothoracic-coupling': [
    ['stiff-neck-base', { felt: 'positive' }],
    ['stiff-girdle', { felt: 'negative' }],
    ['frozen-shoulder', { felt: 'void' }],
  ],
  'girdle-5-horizontal-adduction-fixed-free': [
    ['tight-posterior-capsule', { held: 'positive' }],
    // The arm stops short of the level at which it begins (second audit).
    ['frozen-shoulder', { held: 'void' }],
    ['stiff-neck-base', { held: 'negative' }],
  ],
  'hand-behind-back-reach': [
    ['frozen-shoulder', { lower: 'positive' }],
    ['tight-posterior-capsule', { lower: 'positive' }],
    ['stiff-neck-base', { lower: 'negative' }],
    ['nothing-wrong', { lower: 'negative' }],
  ],
  'hawkins-kennedy': [
    ['subacromial-pain', { result: 'positive' }],
    ['supraspinatus-tear', { result: 'positive' }],
    // A stretch at the back is not the sign; a pain on top speaks for another joint.
    ['tight-posterior-capsule', { result: 'negative' }],
    ['ac-joint-pain', { result: 'equivocal' }],
    ['frozen-shoulder', { result: 'void' }],
    ['nothing-wrong', { result: 'negative' }],
  ],
  'infraspinatus-er-side': [
    ['posterior-cuff-tear', { weak: 'positive', stiff: 'negative' }],
    ['frozen-shoulder', { weak: 'negative', stiff: 'positive' }],
    ['subscapularis-tear', { weak: 'negative', stiff: 'negative' }],
  ],
  jerk: [
    ['posterior-labrum-tear', { pain: 'positive' }],
    ['shoulder-instability', { pain: 'negative' }],
    ['biceps-tendon', { pain: 'negative' }],
    ['frozen-shoulder', { pain: 'void' }],
  ],
  kim: [
    ['posterior-labrum-tear', { pain: 'positive' }],
    ['slap-tear', { pain: 'negative' }],
    ['frozen-shoulder', { pain: 'void' }],
  ],
  'kim-jerk-combined': [
    ['posterior-labrum-tear', { set: 'positive' }],
    ['ac-joint-pain', { set: 'negative' }],
    ['frozen-shoulder', { set: 'void' }],
  ],
  'lift-off': [
    ['subscapularis-tear', { lift: 'positive' }],
    ['posterior-cuff-tear', { lift: 'negative' }],
    // The hand does not reach the low back.
    ['frozen-shoulder', { lift: 'void' }],
    ['nothing-wrong', { lift: 'negative' }],
  ],
  'scapular-plane-elevation': [
    ['subacromial-pain', { arc: 'positive', blade: 'negative' }],
    ['stiff-girdle', { arc: 'negative', blade: 'positive' }],
    // The blade hitches up for the joint that does not move.
    ['frozen-shoulder', { blade: 'positive' }],
    ['nothing-wrong', { arc: 'negative', blade: 'negative' }],
  ],
  'shoulder-inspect-palpate': [
    ['ac-joint-pain', { tender: 'outer' }],
    ['biceps-tendon', { tender: 'groove' }],
    ['subscapularis-tear', { tender: 'none' }],
    ['nothing-wrong', { tender: 'none' }],
  ],
  speed: [
    ['biceps-tendon', { groove: 'positive' }],
    ['ac-joint-pain', { groove: 'negative' }],
    ['subscapularis-tear', { groove: 'negative' }],
    ['nothing-wrong', { groove: 'negative' }],
  ],
  'supraspinatus-strength': [
    ['supraspinatus-tear', { weak: 'positive', pain: 'positive' }],
    ['subacromial-pain', { weak: 'negative', pain: 'positive' }],
    ['subscapularis-tear', { weak: 'negative', pain: 'negative' }],
    ['frozen-shoulder', { weak: 'void', pain: 'void' }],
  ],
  'tape-er0': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['tight-posterior-capsule', { loss: 'negative' }],
    ['nothing-wrong', { loss: 'negative' }],
  ],
  'tape-hand-behind-back': [
    ['frozen-shoulder', { gap: 'positive' }],
    ['tight-posterior-capsule', { gap: 'positive' }],
    ['biceps-tendon', { gap: 'negative' }],
  ],
  'tape-horizontal-adduction': [
    ['tight-posterior-capsule', { gap: 'positive' }],
    // The arm stops short of the level at which it begins (second audit).
    ['frozen-shoulder', { gap: 'void' }],
    ['slap-tear', { gap: 'negative' }],
  ],
  'tape-overhead-pull': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['supraspinatus-tear', { loss: 'positive' }],
    ['biceps-tendon', { loss: 'negative' }],
  ],
  'tape-wall-reach': [
    ['frozen-shoulder', { loss: 'positive' }],
    ['supraspinatus-tear', { loss: 'positive' }],
    ['nothing-wrong', { loss: 'negative' }],
  ],
  yergason: [
    ['biceps-tendon', { groove: 'positive' }],
    ['supraspinatus-tear', { groove: 'negative' }],
    ['frozen-shoulder', { groove: 'negative' }],
  ],
});
