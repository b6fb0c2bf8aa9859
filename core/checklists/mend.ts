import { withScales } from './draftChecklist.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';
import type { Mend } from './finding.ts';

/** What changes beside the checklist itself. */
export interface Mended {
  readonly content: DraftContent;
  /** The minutes of the station, where they are what was put right. */
  readonly minutes?: number;
}

/** Carries out the action of a finding. What only a person can write is left as it is. */
export function mend(content: DraftContent, action: Mend): Mended {
  switch (action.do) {
    case 'split':
      return { content: split(content, action.item, action.into) };
    case 'say':
      return {
        content: withItem(content, action.item, (item) => ({ ...item, text: action.text })),
      };
    case 'remove':
      return { content: withoutItem(content, action.item) };
    case 'as-done':
      return { content: withItem(content, action.item, asDone) };
    case 'keep-anchors':
      return {
        content: withItem(content, action.item, (item) =>
          withScales(item, (scale) =>
            scale.kind === 'graded' ? { ...scale, anchors: action.anchors } : scale,
          ),
        ),
      };
    case 'answer':
      return {
        content: withItem(content, action.item, (item) =>
          item.kind === 'choice'
            ? {
                ...item,
                answer: action.answer,
                partly: item.partly?.filter((k) => k !== action.answer),
              }
            : item,
        ),
      };
    case 'band':
      return { content: withItem(content, action.item, (item) => aroundBand(item, action)) };
    case 'fail-station':
      return {
        content: {
          ...content,
          items: content.items.map((item) =>
            action.items.includes(item.key) ? { ...item, criticality: 'fails-station' } : item,
          ),
        },
      };
    case 'add':
      return {
        content: { ...content, items: [...content.items, withFreeKey(content, action.item)] },
      };
    case 'stop-rule':
      return { content: { ...content, stopRule: action.text } };
    case 'minutes':
      return { content, minutes: action.minutes };
    case 'write':
      return { content };
  }
}

function withItem(
  content: DraftContent,
  key: string,
  change: (item: DraftItem) => DraftItem,
): DraftContent {
  return { ...content, items: content.items.map((i) => (i.key === key ? change(i) : i)) };
}

/** The checklist without an item, and without the faults and rules that name it. */
export function withoutItem(content: DraftContent, key: string): DraftContent {
  return {
    ...content,
    items: content.items.filter((item) => item.key !== key),
    faults: content.faults.filter((fault) => fault.item !== key),
    order: content.order.filter((rule) => rule.earns !== key && rule.before !== key),
    branches: content.branches
      .filter((rule) => rule.when !== key)
      .map((rule) => ({ ...rule, skips: rule.skips.filter((skipped) => skipped !== key) }))
      .filter((rule) => rule.skips.length > 0),
  };
}

/**
 * One item an act. The first keeps the key, so that what it is followed by is known; the weight is
 * shared, so that the station weighs what it weighed. A scale was made for both acts and fits
 * neither: each is done or not done.
 */
function split(content: DraftContent, key: string, acts: readonly string[]): DraftContent {
  const at = content.items.findIndex((item) => item.key === key);
  const whole = content.items[at];
  if (!whole) return content;
  const weight =
    whole.weight === null ? null : Math.round((100 * whole.weight) / acts.length) / 100;
  let grown = { ...content, items: content.items.filter((item) => item !== whole) };
  for (const [i, text] of acts.entries()) {
    const own = withFreeKey(grown, { ...asDone(whole), text, weight });
    const items = [...grown.items];
    items.splice(at + i, 0, own);
    grown = { ...grown, items };
  }
  return grown;
}

/** The item as done or not done; what it was graded or measured by is gone. */
export function asDone(item: DraftItem): DraftItem {
  const { key, text, domain, weight, observability, criticality, criticalReason } = item;
  const { safety, saidEarns, variants, procedure, declared } = item;
  return {
    key,
    text,
    domain,
    weight,
    observability,
    criticality,
    safety,
    saidEarns,
    ...(criticalReason === undefined ? {} : { criticalReason }),
    ...(variants ? { variants } : {}),
    ...(procedure === undefined ? {} : { procedure }),
    ...(declared === undefined ? {} : { declared }),
    kind: 'done',
  };
}

function aroundBand(
  item: DraftItem,
  { lower, upper }: { readonly lower: number; readonly upper: number },
): DraftItem {
  if (item.kind !== 'measured') return item;
  const { minimum, maximum } = item;
  return {
    ...item,
    lower,
    upper,
    minimum: minimum === null ? null : Math.min(minimum, lower),
    maximum: maximum === null ? null : Math.max(maximum, upper),
  };
}

const LONGEST_KEY = 60;

/** The item under a key that no other item has. */
export function withFreeKey(content: DraftContent, item: DraftItem): DraftItem {
  const taken = new Set(content.items.map(({ key }) => key));
  for (let n = 1; ; n++) {
    const suffix = n === 1 ? '' : `-${n}`;
    const key = `${item.key.slice(0, LONGEST_KEY - suffix.length)}${suffix}`;
    if (!taken.has(key)) return { ...item, key };
  }
}
