import { laxityGrade } from '../findings.ts';
import { easesOff, perform, position } from '../items.ts';
import { decides, figure, holds, KNEE_REGION, kneeBent, moves, push } from '../figures.ts';

/** The gate before any stress, twist or squat of a knee. */
export const KNEE_CAUTION =
  'Not with a possible fracture or dislocation, a cold or numb foot, a hot joint with fever, or a knee that is truly locked.';

export const LACHMAN_FIGURE = figure(
  'supine',
  { leg: { ...kneeBent(25), tibialTranslation: 5 } },
  {
    from: { leg: kneeBent(25) },
    decides: decides('kneeFlexion', 20, 30),
    hands: [holds('thigh', 0.88, 'front'), moves('shank', 0.14, 'back')],
    forces: [push('shank', 0.16, 'front')],
    region: KNEE_REGION,
  },
);

export const DRAWER_FIGURE = figure(
  'hook-lying',
  { leg: { kneeFlexion: 90, tibialTranslation: 5 } },
  {
    from: { leg: { kneeFlexion: 90 } },
    decides: decides('kneeFlexion', 80, 100),
    hands: [moves('shank', 0.12, 'back'), holds('foot', 0.7, 'above')],
    forces: [push('shank', 0.12, 'front')],
    region: KNEE_REGION,
  },
);

export const kneeGap = laxityGrade('States the opening at 20 to 30°', [
  '0 (to 2 mm)',
  '1 (3–5 mm)',
  '2 (6–10 mm)',
  '3 (over 10)',
]);

/** The items that valgus and varus stress have in common: mirror images in hands and line. */
export function collateralStress(atJoint: 'inside' | 'outside', atShin: 'inside' | 'outside') {
  const line = atJoint === 'outside' ? 'inner' : 'outer';
  return [
    position.done('thigh-supported', 'Rests the thigh on a support'),
    position.measured('knee-angle', 'Knee flexion of the bent stage', '°', [20, 30], {
      half: 10,
      from: 0,
      to: 135,
    }),
    perform.done('also-straight', 'Tests with the knee straight as well'),
    perform.graded('hands', `Sets one hand ${atJoint} at the joint, one ${atShin} at the shin`, [
      'Reversed',
      'One off',
      'Both right',
    ]),
    perform.graded('hip-still', 'Keeps the hip from turning', [
      'Hip turns',
      'Turns at the end',
      'Still',
    ]),
    perform.done('finger-line', `Keeps a finger on the ${line} line`),
    easesOff('Ramps the force without a jerk'),
  ];
}
