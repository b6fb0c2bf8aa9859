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

/** A healthy structure can look ill where the order of the procedure is careless. */
export interface Misleading {
  readonly lesion: { readonly structure: string; readonly state: State };
  readonly sign: Sign;
  /** What a careless candidate would take it for. */
  readonly looksLike: string;
  /** The step that avoids the mistake. */
  readonly avoidedBy: string;
}

/**
 * A patient in whom the procedure cannot be done as written: the start position is out of reach.
 * Such a trial is neither positive nor negative.
 */
export interface VoidRule {
  readonly structure: string;
  readonly state: State;
  /** From this degree on. */
  readonly from: 1 | 2 | 3;
  /** What the patient does instead, as the script says it. */
  readonly why: string;
}

/** A number that is read off the patient: what it is in health, and what each degree makes of it. */
export interface PatientNumber {
  /** The measured item that asks for it. */
  readonly item: string;
  readonly healthy: number;
  /** How far off a right reading of the instrument may be, for full and for half marks. */
  readonly tolerance: number;
  readonly half: number;
  readonly by: readonly {
    readonly structure: string;
    readonly state: State;
    /** At the first, second and third degree. */
    readonly values: readonly [number, number, number];
  }[];
}

/** A sign that a simulated patient shows under a procedure. */
export interface Shown {
  readonly sign: Sign;
  readonly degree: 1 | 2 | 3;
  readonly structure: string;
  readonly stage?: string | undefined;
}

export interface Response {
  readonly shown: readonly Shown[];
  readonly misleading: readonly Misleading[];
  /** Why the procedure cannot be done on this patient; `null` where it can. */
  readonly void: string | null;
}

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
const SHOWS: Readonly<Record<State, Readonly<Partial<Record<Mode, Shows>>>>> = {
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

/**
 * How a patient with these lesions answers to a procedure that does these things: every load that
 * meets a lesion of its structure shows that state's signs, each with the lesion's degree.
 *
 * Worked value: a complete tear of the front cruciate under tension shows laxity of degree 3 and
 * no pain; the same procedure on a split meniscus shows nothing.
 */
export function respond(
  loads: readonly Load[],
  lesions: readonly Lesion[],
  misleads: readonly Misleading[] = [],
  voids: readonly VoidRule[] = [],
): Response {
  const shown = loads.flatMap(({ structure, mode, stage }) =>
    lesions
      .filter((lesion) => lesion.structure === structure)
      .flatMap(({ state, degree }) =>
        (SHOWS[state][mode]?.(degree) ?? []).map((sign) => ({ sign, degree, structure, stage })),
      ),
  );
  const misleading = misleads.filter(({ lesion }) =>
    lesions.some((own) => own.structure === lesion.structure && own.state === lesion.state),
  );
  const hindered = voids.find(({ structure, state, from }) =>
    lesions.some((own) => own.structure === structure && own.state === state && own.degree >= from),
  );
  return { shown, misleading, void: hindered?.why ?? null };
}

/**
 * What the number is on the affected side of a patient with these lesions: the value of the lesion
 * that takes it farthest from health.
 * Worked value: a gap of 12 cm in health that a rupture of degree 2 makes 2 cm is 2.
 */
export function numberOf({ healthy, by }: PatientNumber, lesions: readonly Lesion[]): number {
  let value = healthy;
  for (const { structure, state, values } of by) {
    for (const lesion of lesions) {
      if (lesion.structure !== structure || lesion.state !== state) continue;
      const own = values[lesion.degree - 1] as number;
      if (Math.abs(own - healthy) > Math.abs(value - healthy)) value = own;
    }
  }
  return value;
}

/** How a finding reads a response: one question with its options, from under-called to over-called. */
export type Reading =
  /**
   * Absent, doubtful or present. A sign of the first degree is present all the same. With
   * `structures` it must come from one of these; of the `doubtful` signs, from anywhere, one
   * makes it equivocal.
   */
  | {
      readonly kind: 'sign';
      readonly signs: readonly Sign[];
      readonly stage?: string;
      readonly structures?: readonly string[];
      readonly doubtful?: readonly Sign[];
    }
  /** By degree, 0 to 3. */
  | { readonly kind: 'grade'; readonly sign: Sign }
  /** Where it is: the first option whose structures show one of the signs. */
  | {
      readonly kind: 'site';
      readonly signs: readonly Sign[];
      readonly sites: readonly {
        readonly option: string;
        readonly structures: readonly string[];
      }[];
      readonly none: string;
      readonly both?: string;
    }
  /** Which of several stages show it: the option for that set of stages. */
  | {
      readonly kind: 'stages';
      readonly signs: readonly Sign[];
      readonly options: readonly { readonly option: string; readonly stages: readonly string[] }[];
    };

/** The option for a trial that could not be done; it stands outside the order of the others. */
export const VOID = 'void';

/** The option that is right for a response. */
export function readResponse(reading: Reading, { shown, void: hindered }: Response): string {
  if (hindered !== null) return VOID;
  switch (reading.kind) {
    case 'sign': {
      const { signs, stage, structures, doubtful = [] } = reading;
      const here = shown.filter((s) => stage === undefined || s.stage === stage);
      const present = here.some(
        (s) => signs.includes(s.sign) && (structures?.includes(s.structure) ?? true),
      );
      if (present) return 'positive';
      return here.some((s) => doubtful.includes(s.sign)) ? 'equivocal' : 'negative';
    }
    case 'grade':
      return `grade-${Math.max(0, ...shown.filter((s) => s.sign === reading.sign).map((s) => s.degree))}`;
    case 'site': {
      const hit = reading.sites.filter(({ structures }) =>
        shown.some((s) => reading.signs.includes(s.sign) && structures.includes(s.structure)),
      );
      if (hit.length > 1 && reading.both) return reading.both;
      return hit[0]?.option ?? reading.none;
    }
    case 'stages': {
      const seen = new Set(
        shown.filter((s) => reading.signs.includes(s.sign)).map((s) => s.stage ?? ''),
      );
      const fits = reading.options.find(
        ({ stages }) => stages.length === seen.size && stages.every((stage) => seen.has(stage)),
      );
      return fits?.option ?? (reading.options[0]?.option as string);
    }
  }
}
