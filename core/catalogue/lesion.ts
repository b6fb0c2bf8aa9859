/** What can be wrong with a structure. */
export const STATES = [
  'torn',
  'sprained',
  'split',
  'irritated',
  'ruptured',
  'tight',
  'compressed',
  'unstable',
  'effused',
  'worn',
  'stiff',
  'misaligned',
] as const;
export type State = (typeof STATES)[number];

/** What a procedure does to a structure. */
export const MODES = [
  'tension',
  'compression',
  'twist',
  'contraction',
  'stretch',
  'pressure',
  'glide',
  'fluid',
  'float',
  'look',
  'motion',
  'pointing',
] as const;
export type Mode = (typeof MODES)[number];

/** What can then be seen, felt or heard. Pain, motion, end feel and fear are results of their own. */
export const SIGNS = [
  'pain',
  'laxity',
  'click',
  'weakness',
  'stiffness',
  'tingling',
  'apprehension',
  'swelling',
  'block',
  'gap',
  'crepitus',
  'deviation',
] as const;
export type Sign = (typeof SIGNS)[number];

/** One thing that is wrong: a structure, its state, and how badly, 1 to 3. */
export interface Lesion {
  readonly structure: string;
  readonly state: State;
  readonly degree: 1 | 2 | 3;
}

/** One thing that a procedure does, at a stage where it has several. */
export interface Load {
  readonly structure: string;
  readonly mode: Mode;
  readonly stage?: string;
}
