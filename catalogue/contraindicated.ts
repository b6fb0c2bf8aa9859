import type { RefrainRule } from '@kritikos/core/catalogue/response';

/**
 * Patients on whom a procedure must not be done though hands could do it, by what the procedure
 * asks for. What can be done to a person must not always be: who refrains and says why is right.
 */

/** The arm raised and turned out: the position in which a loose shoulder slips. */
export const SHOULDER_WOULD_SLIP: readonly RefrainRule[] = [
  {
    structure: 'inferior glenohumeral ligament',
    state: 'unstable',
    from: 1,
    why: 'The shoulder is unstable, and this is the position in which it slips out.',
  },
];

/** Body weight, a twist or a push against the kneecap, on a knee that is full. */
export const KNEE_TOO_FULL: readonly RefrainRule[] = [
  {
    structure: 'knee joint',
    state: 'effused',
    from: 2,
    why: 'The knee is freshly and clearly swollen; it is not loaded before the cause is known.',
  },
];

/** A full turn under body weight on a knee that a torn piece blocks. */
export const KNEE_LOCKED: readonly RefrainRule[] = (['medial', 'lateral'] as const).map(
  (where) => ({
    structure: `${where} meniscus`,
    state: 'split',
    from: 3,
    why: 'The knee is locked short of straight; twisting it under weight tears further.',
  }),
);

/** A torn heel cord pulled to its length. */
export const HEEL_CORD_TORN: readonly RefrainRule[] = [
  {
    structure: 'Achilles tendon',
    state: 'ruptured',
    from: 1,
    why: 'The heel cord is torn; a stretch pulls its ends apart.',
  },
];
