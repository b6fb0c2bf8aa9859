import type { ClusterRule } from './clusterAnswer.ts';

/** The vocabulary of a checklist, as scoring needs it. The file formats stand in contracts. */

export const DOMAINS = [
  'preparation',
  'positioning',
  'technique',
  'comparison',
  'interpretation',
  'communication',
] as const;
export type Domain = (typeof DOMAINS)[number];

/** How an examiner beside the couch can know: by looking, by hearing, or only by re-testing. */
export const OBSERVABILITIES = ['seen', 'spoken', 'felt'] as const;
export type Observability = (typeof OBSERVABILITIES)[number];

/** What missing the item does: nothing more, a flag on the report, or the station is failed. */
export const CRITICALITIES = ['none', 'flag', 'fails-station'] as const;
export type Criticality = (typeof CRITICALITIES)[number];

interface ItemBase {
  readonly key: string;
  /** One act, in words that can be seen or heard. */
  readonly text: string;
  readonly domain: Domain;
  readonly weight: number;
  readonly observability: Observability;
  readonly criticality: Criticality;
  /** Why missing the item counts for more than its weight; every critical item has one. */
  readonly criticalReason?: string | undefined;
  /** Summed apart from technique. */
  readonly safety: boolean;
  /** Whether announcing the act, without doing it, earns the mark. */
  readonly saidEarns: boolean;
  /** The variants that the item belongs to; absent means all. */
  readonly variants?: readonly string[] | undefined;
  /** The procedure that the item belongs to, where a station has several; absent means all. */
  readonly procedure?: string | undefined;
  /** What is marked is what the candidate declared, not what the hands did. */
  readonly declared?: boolean | undefined;
}

/** Done or not done: 1 or 0. */
export interface DoneScale {
  readonly kind: 'done';
}

/** Graded 0..k, each grade with its described anchor; `anchors[g]` describes grade g. */
export interface GradedScale {
  readonly kind: 'graded';
  readonly anchors: readonly string[];
}

/**
 * A number against a reference band: an angle or a distance. Full marks inside the band widened by
 * `fullTolerance`, half marks inside the band widened by `halfTolerance`.
 */
export interface MeasuredScale {
  readonly kind: 'measured';
  readonly unit: string;
  readonly lower: number;
  readonly upper: number;
  readonly fullTolerance: number;
  readonly halfTolerance: number;
  /** The finest step that the instrument is read to. */
  readonly step: number;
  /** The range of values that can be meant at all; outside it is a slip of the hand. */
  readonly minimum: number;
  readonly maximum: number;
}

/** How often something was done: full marks from `lower` to `upper`, half within the tolerance. */
export interface CountScale {
  readonly kind: 'count';
  /** What is counted: twists, steps. */
  readonly unit: string;
  readonly lower: number;
  readonly upper: number;
  readonly halfTolerance: number;
  readonly maximum: number;
}

/** For how many seconds something was held: full marks from `lower` to `upper`, half within the tolerance. */
export interface HoldScale {
  readonly kind: 'hold';
  readonly lower: number;
  readonly upper: number;
  readonly halfTolerance: number;
  readonly maximum: number;
}

/**
 * A finding or interpretation against the key. `call` orders the options from under to over; an
 * option outside that order (the trial was void, with its reason) has none.
 */
export interface ChoiceOption {
  readonly key: string;
  readonly label: string;
  readonly call: number | null;
}
export interface ChoiceScale {
  readonly kind: 'choice';
  readonly options: readonly ChoiceOption[];
  readonly answer: string;
  /** Options that earn half a mark. */
  readonly partly?: readonly string[] | undefined;
}

/** What one value can be marked on. */
export type Scale = DoneScale | GradedScale | MeasuredScale | CountScale | HoldScale | ChoiceScale;

/** Left and right belong together: each side on its own scale of one kind, half of the mark each. */
export interface SidesScale {
  readonly kind: 'sides';
  readonly left: Scale;
  readonly right: Scale;
}

/**
 * The same test before and after, under the same settings (the height of a step, the hands, the
 * cue), half of the mark each. Where a setting was changed the pair is not comparable, and what
 * came after earns nothing.
 */
export interface RetestScale {
  readonly kind: 'retest';
  readonly before: Scale;
  readonly after: Scale;
  /** What must stay as it was. */
  readonly settings: readonly string[];
}

/** An answer that needs a combination of findings, which the setter defines. */
export interface ClusterScale extends ClusterRule {
  readonly kind: 'cluster';
  readonly options: readonly { readonly key: string; readonly label: string }[];
}

type On<S> = ItemBase & S;
export type DoneItem = On<DoneScale>;
export type GradedItem = On<GradedScale>;
export type MeasuredItem = On<MeasuredScale>;
export type ChoiceItem = On<ChoiceScale>;
export type ChecklistItem =
  | DoneItem
  | GradedItem
  | MeasuredItem
  | ChoiceItem
  | On<CountScale>
  | On<HoldScale>
  | On<SidesScale>
  | On<RetestScale>
  | On<ClusterScale>;

/**
 * Whether what is marked is what the candidate declared (a finding, an answer), not what the hands
 * did: its agreement is kept apart from that of the technique.
 */
export function isDeclared({ kind, declared }: ChecklistItem): boolean {
  return declared ?? (kind === 'choice' || kind === 'cluster');
}

/** Item `earns` earns only when it was marked before item `before` (for example sag before drawer). */
export interface OrderRule {
  readonly earns: string;
  readonly before: string;
}

/**
 * Items that do not apply once another was marked with one of these values: the straight-knee stage
 * is positive, so the bent-knee stage is rightly skipped.
 */
export interface BranchRule {
  readonly when: string;
  readonly is: readonly (number | string)[];
  readonly skips: readonly string[];
}

/**
 * What this patient forbids: a procedure, or a part of it, that must not be done and that the
 * checklist therefore does not ask for. That it is recognised and left undone has items of its own.
 */
export interface Withheld {
  readonly procedure: string;
  /** What is to be feared. */
  readonly why: string;
  /** The items that would have been asked of another patient, by their words. */
  readonly acts: readonly string[];
  /** Nothing of the procedure is done, so that no way of doing it is seen either. */
  readonly whole?: true | undefined;
}

/** How often a candidate may begin, and which attempt counts: the last, or the best. */
export interface AttemptRule {
  readonly allowed: number;
  readonly counts: 'last' | 'best';
}

/** An accepted way of doing a procedure; the sheet says which was seen. */
export interface Variant {
  readonly key: string;
  readonly label: string;
  readonly description: string;
}

/** A procedure of a station with the ways of doing it; no two variants of a checklist share a key. */
export interface ProcedureVariants {
  readonly procedure: string;
  readonly title: string;
  readonly variants: readonly Variant[];
  /** The variant that the station expects unless the examiner records another. */
  readonly usualVariant: string;
}

/** A fault that can be seen, the item it spoils, and the grade that the item then gets. */
export interface Fault {
  readonly key: string;
  readonly text: string;
  readonly item: string;
  readonly grade: number;
}

/** What the examiner ticks at a station of one or several procedures, with what the simulated patient shows. */
export interface ChecklistContent {
  readonly format: 2;
  readonly procedures: readonly ProcedureVariants[];
  readonly items: readonly ChecklistItem[];
  readonly faults: readonly Fault[];
  readonly order: readonly OrderRule[];
  readonly branches: readonly BranchRule[];
  readonly attempts: AttemptRule;
  /** Only at a station that is made for it. */
  readonly withheld?: readonly Withheld[] | undefined;
  readonly simulatedPatient: string;
  readonly task: string;
  readonly cautions: readonly string[];
  readonly stopRule: string;
}

/** The variant seen of each procedure, by the key of the procedure. */
export type SeenVariants = Readonly<Record<string, string>>;

/** The variants that a station expects. */
export function usualVariants({ procedures }: Pick<ChecklistContent, 'procedures'>): SeenVariants {
  return Object.fromEntries(procedures.map((own) => [own.procedure, own.usualVariant]));
}

/** Whether the item is asked for where these variants were seen. */
export function belongsToVariant(item: ChecklistItem, seen: SeenVariants): boolean {
  if (item.variants === undefined) return true;
  const chosen = Object.values(seen);
  return item.variants.some((variant) => chosen.includes(variant));
}
