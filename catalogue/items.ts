import { BOTH_SIDES } from '@kritikos/core/checklists/sideComparison';
import type {
  ChoiceItem,
  Domain,
  DoneItem,
  GradedItem,
  MeasuredItem,
} from '@kritikos/core/scoring/checklist';

type Common = 'key' | 'text' | 'domain';
type Usual = 'weight' | 'observability' | 'criticality' | 'criticalReason' | 'safety' | 'saidEarns';
type Spec<Item> = Pick<Item, Common & keyof Item> & Partial<Pick<Item, Usual & keyof Item>>;
type Scope = { variants?: readonly string[] };

const usual = {
  weight: 1,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
} as const;

/** An item that is done or not done. */
export function done(item: Spec<DoneItem> & Scope): DoneItem {
  return { ...usual, ...item, kind: 'done' };
}

/** An item graded 0..k by its anchors, from absent to complete. */
export function graded(item: Spec<GradedItem> & Scope & Pick<GradedItem, 'anchors'>): GradedItem {
  return { ...usual, weight: 2, ...item, kind: 'graded' };
}

type MeasuredSpec = Omit<MeasuredItem, 'kind' | Usual> & Partial<Pick<MeasuredItem, Usual>>;

/** A number against a band. */
export function measured(item: MeasuredSpec): MeasuredItem {
  return { ...usual, weight: 2, ...item, kind: 'measured' };
}

type ChoiceSpec = Omit<ChoiceItem, 'kind' | Usual> & Partial<Pick<ChoiceItem, Usual>>;

/** A finding or interpretation against the key; it is heard, and saying it is doing it. */
export function choice(item: ChoiceSpec): ChoiceItem {
  return {
    ...usual,
    weight: 2,
    observability: 'spoken',
    saidEarns: true,
    ...item,
    kind: 'choice',
  };
}

/** Its own item: demonstrations leave the comparison of sides out so often. */
export function bothSides(): GradedItem {
  return BOTH_SIDES;
}

/** Consent for this test, before hands are laid on. */
export function consent(): DoneItem {
  return done({
    key: 'consent',
    text: 'Gains spoken consent before touching',
    domain: 'preparation',
    observability: 'spoken',
    saidEarns: true,
    criticality: 'flag',
    criticalReason: 'Nobody is touched who has not agreed to it.',
    safety: true,
  });
}

/** Hand hygiene: nearly every candidate does it, and it still has to be seen. */
export function handHygiene(): DoneItem {
  return done({
    key: 'hand-hygiene',
    text: 'Cleans hands before touching',
    domain: 'preparation',
    safety: true,
  });
}

/** Fails the station when missed, and why. */
export function critical(reason: string) {
  return { criticality: 'fails-station', criticalReason: reason, safety: true } as const;
}

/** Flagged on the report when missed, and why. */
export function flagged(reason: string) {
  return { criticality: 'flag', criticalReason: reason, safety: true } as const;
}

type More = Partial<Pick<DoneItem, Usual>> & Scope;
/** Full marks inside the band, half marks as far outside it as said (5 degrees unless said). */
type Band = readonly [low: number, high: number];
interface Reach extends More {
  readonly half?: number;
  readonly full?: number;
  readonly step?: number;
  readonly from?: number;
  readonly to?: number;
}

const FULL_RANGE: Readonly<Record<string, Band>> = { '°': [-30, 180], cm: [0, 60], s: [0, 120] };

/**
 * The items of one domain, written short. What is interpreted or told is heard, and saying it is
 * doing it.
 */
function itemsOf(domain: Domain) {
  const heard = domain === 'interpretation' || domain === 'communication';
  const manner = heard ? ({ observability: 'spoken', saidEarns: true } as const) : {};
  return {
    done: (key: string, text: string, more: More = {}) =>
      done({ key, text, domain, ...manner, ...more }),
    graded: (key: string, text: string, anchors: readonly string[], more: More = {}) =>
      graded({ key, text, domain, anchors, ...manner, ...more }),
    measured: (key: string, text: string, unit: string, [lower, upper]: Band, more: Reach = {}) => {
      const { half = 5, full = 0, step = unit === '°' ? 5 : 1, from, to, ...rest } = more;
      const [least, most] = FULL_RANGE[unit] ?? [0, 100];
      return measured({
        key,
        text,
        domain,
        unit,
        lower,
        upper,
        fullTolerance: full,
        halfTolerance: Math.max(full, half),
        step,
        minimum: from ?? Math.min(least, lower),
        maximum: to ?? Math.max(most, upper),
        ...manner,
        ...rest,
      });
    },
    /** Something asked or said, which counts as done when it is said. */
    asked: (key: string, text: string, more: More = {}) =>
      done({ key, text, domain, observability: 'spoken', saidEarns: true, ...more }),
  };
}

export const prepare = itemsOf('preparation');
export const position = itemsOf('positioning');
export const perform = itemsOf('technique');
export const interpret = itemsOf('interpretation');
export const tell = itemsOf('communication');

/** The patient is slack where muscle would hide looseness: felt, not assumed. */
export function feltSlack(muscle: string) {
  return done({
    key: 'slack',
    text: `Feels that the ${muscle} are slack`,
    domain: 'positioning',
  });
}

/**
 * Force comes on slowly and ends at the first protest. Flagged, not failing by itself: what can
 * dislocate, displace a fracture or let somebody fall has an item of its own that fails.
 */
export function easesOff(
  text = 'Goes no further after guarding, pain or the word stop (done if none came)',
) {
  return done({
    key: 'eases-off',
    text,
    domain: 'technique',
    ...flagged('Force against guarding or pain injures.'),
  });
}
