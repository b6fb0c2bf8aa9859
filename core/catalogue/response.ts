import type { Lesion, Load, Sign, State } from './lesion.ts';
import { SHOWS } from './shows.ts';

/** A healthy structure can look ill where the order of the procedure is careless. */
export interface Misleading {
  readonly lesion: { readonly structure: string; readonly state: State };
  readonly sign: Sign;
  /** What a careless candidate would take it for. */
  readonly looksLike: string;
  /** The step that avoids the mistake. */
  readonly avoidedBy: string;
}

/** Patients whom a rule is about: whose structure is in this state, from this degree on. */
interface Whom {
  readonly structure: string;
  readonly state: State;
  readonly from: 1 | 2 | 3;
}

/**
 * A patient in whom the procedure cannot be done as written: the start position is out of reach.
 * Such a trial is neither positive nor negative. With a `stage` only that stage cannot be done.
 */
export interface VoidRule extends Whom {
  readonly stage?: string;
  /** What the patient does instead, as the script says it. */
  readonly why: string;
}

/**
 * A patient in whom the procedure must not be done, though it could be: it would hurt or harm. With
 * a `stage` only that stage is left out.
 */
export interface RefrainRule extends Whom {
  readonly stage?: string;
  /** What is to be feared, as a sentence that a candidate could say. */
  readonly why: string;
  /** Where only a stage is left out: the checklist's items of it. */
  readonly items?: readonly string[];
  /** Where only a stage is left out: what leaving it looks like, as an item says it. */
  readonly leaves?: string;
}

/** What a procedure does, and on whom it cannot or must not be done. */
export interface Does {
  readonly loads: readonly Load[];
  readonly misleads?: readonly Misleading[];
  readonly voids?: readonly VoidRule[];
  readonly refrains?: readonly RefrainRule[];
}

/** A sign that a simulated patient shows under a procedure. */
export interface Shown {
  readonly sign: Sign;
  readonly degree: 1 | 2 | 3;
  readonly structure: string;
  readonly stage?: string | undefined;
}

export interface Response {
  /** What shows at the stages that can be done. */
  readonly shown: readonly Shown[];
  readonly misleading: readonly Misleading[];
  /** Why the procedure cannot be done on this patient; `null` where it can. */
  readonly void: string | null;
  /** The stages that cannot be done where others can, each with its reason. */
  readonly voidStages: readonly { readonly stage: string; readonly why: string }[];
  /** Why the procedure, or a stage of it, must not be done on this patient. */
  readonly refrain: RefrainRule | null;
}

/**
 * How a patient with these lesions answers to a procedure that does these things: every load that
 * meets a lesion of its structure shows that state's signs, each with the lesion's degree.
 *
 * Worked value: a complete tear of the front cruciate under tension shows laxity of degree 3 and
 * no pain; the same procedure on a split meniscus shows nothing.
 */
export function respond(
  { loads, misleads = [], voids = [], refrains = [] }: Does,
  lesions: readonly Lesion[],
): Response {
  const hindered = voids.filter((rule) => holdsOf(rule, lesions));
  const voidStages = hindered.flatMap(({ stage, why }) =>
    stage === undefined ? [] : [{ stage, why }],
  );
  const shown = loads
    .filter(({ stage }) => !voidStages.some((none) => none.stage === stage))
    .flatMap(({ structure, mode, stage }) =>
      lesions
        .filter((lesion) => lesion.structure === structure)
        .flatMap(({ state, degree }) =>
          (SHOWS[state][mode]?.(degree) ?? []).map((sign) => ({ sign, degree, structure, stage })),
        ),
    );
  const misleading = misleads.filter(({ lesion }) =>
    lesions.some((own) => own.structure === lesion.structure && own.state === lesion.state),
  );
  return {
    shown,
    misleading,
    void: hindered.find(({ stage }) => stage === undefined)?.why ?? null,
    voidStages,
    refrain: refrains.find((rule) => holdsOf(rule, lesions)) ?? null,
  };
}

function holdsOf({ structure, state, from }: Whom, lesions: readonly Lesion[]): boolean {
  return lesions.some(
    (own) => own.structure === structure && own.state === state && own.degree >= from,
  );
}
