import { DOMAINS } from '../scoring/checklist.ts';
import type { Domain } from '../scoring/checklist.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';

/** The items phase by phase, as the sheet shows them; within a phase in the order of the draft. */
export function byDomain(items: readonly DraftItem[]): { domain: Domain; items: DraftItem[] }[] {
  return PHASE_ORDER.map((domain) => ({
    domain,
    items: items.filter((item) => item.domain === domain),
  }));
}

const PHASE_ORDER: readonly Domain[] = DOMAINS;

/**
 * The draft with an item in a phase, before another item of it; at its end where none is named.
 * Everything else stays where it is.
 */
export function moveItem(
  content: DraftContent,
  key: string,
  domain: Domain,
  before: string | null,
): DraftContent {
  const item = content.items.find((one) => one.key === key);
  if (!item || before === key) return content;
  const others = content.items.filter((one) => one !== item);
  const at =
    before === null
      ? others.findLastIndex((one) => one.domain === domain) + 1 || others.length
      : others.findIndex((one) => one.key === before);
  const items = [...others];
  items.splice(at < 0 ? others.length : at, 0, { ...item, domain });
  return { ...content, items };
}

/**
 * The draft with an item one place earlier (-1) or later (1) in what the sheet shows; past the edge
 * of its phase it comes into the next one.
 */
export function stepItem(content: DraftContent, key: string, by: -1 | 1): DraftContent {
  const phases = byDomain(content.items);
  const phase = phases.findIndex(({ items }) => items.some((item) => item.key === key));
  const items = phases[phase]?.items ?? [];
  const at = items.findIndex((item) => item.key === key);
  const domain = phases[phase]?.domain;
  if (domain === undefined) return content;
  const target = at + by;
  if (target >= 0 && target < items.length) {
    const next = by === -1 ? items[target] : items[target + 1];
    return moveItem(content, key, domain, next?.key ?? null);
  }
  const beyond = phases[phase + by];
  if (!beyond) return content;
  return moveItem(content, key, beyond.domain, by === 1 ? (beyond.items[0]?.key ?? null) : null);
}
