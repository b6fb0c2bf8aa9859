import deepEqual from 'fast-deep-equal';
import { AROUND_PARTS } from './pieces.ts';
import type { AroundPart } from './pieces.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';

/** One part of an item that says something else now. */
export interface PartChange {
  readonly part: string;
  readonly before: unknown;
  readonly after: unknown;
}

export interface ItemChange {
  readonly key: string;
  readonly text: string;
  readonly change: 'added' | 'removed' | 'moved' | 'changed';
  /** Of a changed item: what exactly. */
  readonly parts: readonly PartChange[];
}

export interface Difference {
  readonly items: readonly ItemChange[];
  /** What changed around the items. */
  readonly around: readonly AroundPart[];
}

/**
 * What one version of a checklist says otherwise than another, item by item, as somebody would say
 * it who has both on the table: added, removed, changed and how, or only moved.
 */
export function difference(before: DraftContent, after: DraftContent): Difference {
  const was = new Map(before.items.map((item) => [item.key, item]));
  const is = new Map(after.items.map((item) => [item.key, item]));
  const moved = movedKeys(
    before.items.map(({ key }) => key).filter((key) => is.has(key)),
    after.items.map(({ key }) => key).filter((key) => was.has(key)),
  );
  const present = after.items.flatMap((item): ItemChange[] => {
    const { key, text } = item;
    const old = was.get(key);
    if (!old) return [{ key, text, change: 'added', parts: [] }];
    const parts = changedParts(old, item);
    if (parts.length > 0) return [{ key, text, change: 'changed', parts }];
    return moved.has(key) ? [{ key, text, change: 'moved', parts: [] }] : [];
  });
  const removed = before.items.flatMap(({ key, text }): ItemChange[] =>
    is.has(key) ? [] : [{ key, text, change: 'removed', parts: [] }],
  );
  return {
    items: [...present, ...removed],
    around: AROUND_PARTS.filter((part) => !deepEqual(before[part], after[part])),
  };
}

function changedParts(before: DraftItem, after: DraftItem): PartChange[] {
  const was: Readonly<Record<string, unknown>> = { ...before };
  const is: Readonly<Record<string, unknown>> = { ...after };
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].flatMap((part) =>
    deepEqual(was[part], is[part]) ? [] : [{ part, before: was[part], after: is[part] }],
  );
}

/** The keys that stand elsewhere: all but the longest run that kept its order. */
function movedKeys(before: readonly string[], after: readonly string[]): ReadonlySet<string> {
  const runs: string[][] = [];
  for (const key of after) {
    const fits = runs.filter((run) => before.indexOf(run.at(-1) as string) < before.indexOf(key));
    const longest = fits.reduce<string[]>(
      (best, run) => (run.length > best.length ? run : best),
      [],
    );
    runs.push([...longest, key]);
  }
  const kept = new Set(runs.reduce((best, run) => (run.length > best.length ? run : best), []));
  return new Set(after.filter((key) => !kept.has(key)));
}
