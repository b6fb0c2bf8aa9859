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
