import type { VoidRule } from '@kritikos/core/catalogue/response';

/**
 * Patients in whom a start position is out of reach, by what the procedure asks for. A trial that
 * cannot be set up is void: neither positive nor negative.
 */

/** The arm raised to the level of the shoulder or higher, or taken behind the back. */
export const ARM_OUT_OF_REACH: readonly VoidRule[] = [
  {
    structure: 'shoulder capsule',
    state: 'stiff',
    from: 2,
    why: 'The arm comes up to about 70 degrees at most and hardly turns; the start position cannot be reached.',
  },
];

/** The knee at a right angle. */
export const NO_RIGHT_ANGLE: readonly VoidRule[] = [
  {
    structure: 'knee joint',
    state: 'effused',
    from: 3,
    why: 'The knee is too full to bend to a right angle.',
  },
];

/** The knee bent fully. */
export const NO_FULL_BEND: readonly VoidRule[] = [
  {
    structure: 'knee joint',
    state: 'effused',
    from: 2,
    why: 'The knee is too full to bend further than a right angle.',
  },
  {
    structure: 'knee capsule',
    state: 'stiff',
    from: 2,
    why: 'The knee stops bending at about 115 degrees.',
  },
];

/** The elbow fully straight or fully bent. */
export const ELBOW_SHORT: readonly VoidRule[] = [
  {
    structure: 'elbow joint',
    state: 'stiff',
    from: 2,
    why: 'The elbow lacks about 25 degrees of straightening and 30 of bending.',
  },
  {
    structure: 'elbow joint',
    state: 'effused',
    from: 2,
    why: 'The full elbow is held half bent and goes neither straight nor fully bent.',
  },
];

/** The elbow pushed sideways, slack and slightly bent. */
export const ELBOW_NOT_SLACK: readonly VoidRule[] = [
  {
    structure: 'elbow joint',
    state: 'stiff',
    from: 2,
    why: 'At 20 to 30 degrees the stiff elbow is at its end and held by that; a gap cannot be told.',
  },
  {
    structure: 'elbow joint',
    state: 'effused',
    from: 2,
    why: 'The full elbow is tense and held half bent; a gap cannot be told.',
  },
];

/** The foot pulled up past square. */
export const FOOT_NOT_UP: readonly VoidRule[] = [
  {
    structure: 'ankle joint',
    state: 'stiff',
    from: 2,
    why: 'The foot hardly comes up past square, bent knee or not.',
  },
  {
    structure: 'soleus',
    state: 'tight',
    from: 2,
    why: 'The foot hardly comes up past square, bent knee or not.',
  },
];
