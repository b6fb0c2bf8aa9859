import type { Mode, Sign, State } from './lesion.ts';

type Shows = (degree: number) => readonly Sign[];
const always =
  (...signs: Sign[]): Shows =>
  () =>
    signs;

/**
 * Which signs a state shows under a mode; what does not stand here shows nothing. Facts of the
 * trade ('common practice, no source'): a complete tear hurts less than a partial one under
 * tension, a small split does not block, a nerve must be badly compressed to weaken its muscle, worn
 * and stiff joints hurt at the end of stretch and twist.
 */
export const SHOWS: Readonly<Record<State, Readonly<Partial<Record<Mode, Shows>>>>> = {
  torn: {
    tension: (degree) => (degree < 3 ? ['laxity', 'pain'] : ['laxity']),
    glide: always('laxity'),
    pressure: (degree) => (degree < 3 ? ['pain'] : []),
    look: always('swelling'),
    pointing: always('pain'),
  },
  sprained: {
    tension: always('pain'),
    pressure: always('pain'),
    stretch: always('pain'),
    look: always('swelling'),
    pointing: always('pain'),
  },
  split: {
    twist: (degree) => (degree > 1 ? ['click', 'pain'] : ['pain']),
    compression: always('pain'),
    pressure: always('pain'),
    motion: (degree) => (degree > 1 ? ['block'] : []),
    pointing: always('pain'),
  },
  irritated: {
    contraction: always('pain'),
    stretch: always('pain'),
    pressure: always('pain'),
    compression: always('pain'),
    twist: always('pain'),
    pointing: always('pain'),
  },
  ruptured: { contraction: always('weakness'), pressure: always('gap'), look: always('gap') },
  tight: { stretch: always('stiffness'), glide: always('stiffness'), pressure: always('pain') },
  compressed: {
    pressure: always('tingling'),
    stretch: always('tingling'),
    contraction: (degree) => (degree > 1 ? ['weakness'] : []),
    pointing: always('tingling'),
  },
  unstable: { glide: always('apprehension'), pressure: always('pain') },
  effused: {
    fluid: always('swelling'),
    // The kneecap taps where there is enough fluid to float it.
    float: (degree) => (degree > 1 ? ['swelling'] : []),
    motion: (degree) => (degree > 1 ? ['stiffness'] : []),
    pointing: always('pain'),
  },
  worn: {
    compression: always('pain', 'crepitus'),
    motion: always('crepitus'),
    pressure: always('pain'),
    stretch: always('pain'),
    twist: always('pain'),
    pointing: always('pain'),
  },
  stiff: {
    motion: always('stiffness'),
    stretch: always('stiffness', 'pain'),
    twist: always('stiffness', 'pain'),
    pointing: always('pain'),
  },
  misaligned: { look: always('deviation') },
};
