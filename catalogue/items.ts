import type {
  ChoiceItem,
  DoneItem,
  GradedItem,
  MeasuredItem,
} from '@kritikos/core/scoring/checklist';

type Common = 'key' | 'text' | 'domain';
type Usual = 'weight' | 'observability' | 'criticality' | 'safety' | 'saidEarns';
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

/** The item that demonstrations leave out so often that it stands by itself. */
export function bothSides(): GradedItem {
  return graded({
    key: 'both-sides',
    text: 'Tests both sides, the uninvolved side first',
    domain: 'comparison',
    anchors: [
      'One side only, or comparison only announced',
      'Both sides, involved side first',
      'Both sides, uninvolved side first',
    ],
  });
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
