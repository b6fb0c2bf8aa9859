import type { DraftItem, DraftScale } from './draftChecklist.ts';

export const SCALE_KINDS = ['done', 'graded', 'measured', 'count', 'hold', 'choice'] as const;
export type ScaleKind = (typeof SCALE_KINDS)[number];
export const ITEM_KINDS = [...SCALE_KINDS, 'sides', 'retest', 'cluster'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/** A scale of a kind with nothing on it yet. */
export function blankScale(kind: ScaleKind): DraftScale {
  switch (kind) {
    case 'done':
      return { kind };
    case 'graded':
      return { kind, anchors: ['', '', ''] };
    case 'measured':
      return {
        kind,
        unit: '°',
        lower: null,
        upper: null,
        fullTolerance: 0,
        halfTolerance: 5,
        step: 5,
        minimum: -30,
        maximum: 180,
      };
    case 'count':
      return { kind, unit: 'times', lower: 3, upper: 3, halfTolerance: 1, maximum: 20 };
    case 'hold':
      return { kind, lower: 15, upper: 20, halfTolerance: 5, maximum: 120 };
    case 'choice':
      return {
        kind,
        options: [
          { key: 'negative', label: 'Negative', call: 0 },
          { key: 'equivocal', label: 'Equivocal', call: 1 },
          { key: 'positive', label: 'Positive', call: 2 },
        ],
        answer: '',
      };
  }
}

/** What an item says whatever it is marked on. */
const ITS_OWN = [
  'key',
  'text',
  'domain',
  'weight',
  'observability',
  'criticality',
  'criticalReason',
  'safety',
  'saidEarns',
  'variants',
  'procedure',
  'declared',
] as const;

/**
 * The item marked in another way. What both ways have is kept: the scale of an item becomes that of
 * either half of its pair, and that of the first half the item's own again.
 */
export function asKind(item: DraftItem, kind: ItemKind): DraftItem {
  if (item.kind === kind) return item;
  const own = Object.fromEntries(
    ITS_OWN.flatMap((part) => (item[part] === undefined ? [] : [[part, item[part]]])),
  ) as unknown as Omit<DraftItem, 'kind'>;
  const half = singleScale(item);
  switch (kind) {
    case 'sides':
      return { ...own, kind, left: half, right: half } as DraftItem;
    case 'retest':
      return { ...own, kind, before: half, after: half, settings: [] } as DraftItem;
    case 'cluster':
      return {
        ...own,
        kind,
        options:
          half.kind === 'choice' ? half.options.map(({ key, label }) => ({ key, label })) : [],
        needs: [],
      } as DraftItem;
    default:
      return { ...own, ...(half.kind === kind ? half : blankScale(kind)) } as DraftItem;
  }
}

/** The scale that stands for the item: its own, or that of its first half. */
function singleScale(item: DraftItem): DraftScale {
  switch (item.kind) {
    case 'sides':
      return item.left;
    case 'retest':
      return item.before;
    case 'cluster':
      return blankScale('done');
    default:
      return scaleAlone(item);
  }
}

/** The parts of an item that are its scale. */
function scaleAlone(item: DraftItem & DraftScale): DraftScale {
  const own = new Set<string>(ITS_OWN);
  return Object.fromEntries(
    Object.entries(item).filter(([part]) => !own.has(part)),
  ) as unknown as DraftScale;
}
