import type { ChecklistContent, ChecklistItem, Scale } from '../scoring/checklist.ts';

/** What is being written: a number may not be there yet. Words and lists may be empty. */
type Unfinished<T> = T extends unknown
  ? {
      [Part in keyof T]: T[Part] extends Scale
        ? DraftScale
        : number extends T[Part]
          ? T[Part] | null
          : T[Part];
    }
  : never;

/** A scale whose numbers, anchors or answer may be missing: `answer` is `''` where there is no key. */
export type DraftScale = Unfinished<Scale>;

/** An item of a draft. Its key is its own from the first letter on, and stays when it is reworded. */
export type DraftItem = Unfinished<ChecklistItem>;
export type DraftItemOf<Kind extends DraftItem['kind']> = Extract<DraftItem, { kind: Kind }>;

/**
 * A checklist while it is written. Every checklist is a draft that nothing is missing from; what is
 * missing from a draft is said by the schema of the published one.
 */
export interface DraftContent extends Omit<ChecklistContent, 'items'> {
  readonly items: readonly DraftItem[];
}

/** The scales of an item: one, or the two of a pair. None where it is a cluster answer. */
export function scalesOf(item: DraftItem): readonly DraftScale[] {
  switch (item.kind) {
    case 'sides':
      return [item.left, item.right];
    case 'retest':
      return [item.before, item.after];
    case 'cluster':
      return [];
    default:
      return [item];
  }
}

/** The item with another scale in the place of each of its own. */
export function withScales(item: DraftItem, change: (scale: DraftScale) => DraftScale): DraftItem {
  switch (item.kind) {
    case 'sides':
      return { ...item, left: change(item.left), right: change(item.right) };
    case 'retest':
      return { ...item, before: change(item.before), after: change(item.after) };
    case 'cluster':
      return item;
    default:
      return { ...item, ...change(item) } as DraftItem;
  }
}
