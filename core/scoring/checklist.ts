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
  /** The variants of the procedure that the item belongs to; absent means all. */
  readonly variants?: readonly string[] | undefined;
}

/** Done or not done: 1 or 0. */
export interface DoneItem extends ItemBase {
  readonly kind: 'done';
}

/** Graded 0..k, each grade with its described anchor; `anchors[g]` describes grade g. */
export interface GradedItem extends ItemBase {
  readonly kind: 'graded';
  readonly anchors: readonly string[];
}

/**
 * A number against a reference band: an angle, a distance, a count or a hold. Full marks inside
 * the band widened by `fullTolerance`, half marks inside the band widened by `halfTolerance`.
 */
export interface MeasuredItem extends ItemBase {
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

/**
 * A finding or interpretation against the key. `call` orders the options from under to over; an
 * option outside that order (the trial was void, with its reason) has none.
 */
export interface ChoiceOption {
  readonly key: string;
  readonly label: string;
  readonly call: number | null;
}
export interface ChoiceItem extends ItemBase {
  readonly kind: 'choice';
  readonly options: readonly ChoiceOption[];
  readonly answer: string;
  /** Options that earn half a mark. */
  readonly partly?: readonly string[] | undefined;
}

export type ChecklistItem = DoneItem | GradedItem | MeasuredItem | ChoiceItem;

/** Item `earns` earns only when it was marked before item `before` (for example sag before drawer). */
export interface OrderRule {
  readonly earns: string;
  readonly before: string;
}

/** Whether the item is asked for in the variant that the sheet records. */
export function belongsToVariant(item: ChecklistItem, variant: string | null): boolean {
  return item.variants === undefined || (variant !== null && item.variants.includes(variant));
}
