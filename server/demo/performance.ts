import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { EventBody } from '@kritikos/contracts/marking';
import type { Chance } from '@kritikos/core/numerics/random';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem, SeenVariants } from '@kritikos/core/scoring/checklist';

/** What a candidate really did at a station: the share of each item, whatever anybody marked. */
export interface Performance {
  readonly variants: SeenVariants;
  readonly shares: ReadonlyMap<string, number>;
  /** On the scale of the overall grade, before the examiner rounds it. */
  readonly impression: number;
}

/** How an examiner sees: chance slips, harshness, and habits with single items. */
export interface Eye {
  /** How often a technique mark is taken down a step. */
  readonly harshness: number;
  /** Items that this examiner marks as not done, because their school teaches it otherwise. */
  readonly otherSchool: readonly string[];
  /** The item that everyone passes, whoever looks. */
  readonly easyItem: string | null;
}

const SLIPS = 0.03;

/**
 * Draws a performance for a candidate of this ability (standard normal) at one station, whose items
 * are met more often than they were by so many logits.
 */
export function perform(
  content: ChecklistContent,
  ability: number,
  variants: SeenVariants,
  chance: Chance,
  { easier, easyItem }: { easier: number; easyItem: string | null },
): Performance {
  const here = ability + 0.5 * chance.normal();
  const shares = new Map<string, number>();
  let sum = 0;
  let weight = 0;
  for (const item of content.items) {
    if (!belongsToVariant(item, variants)) continue;
    const share = item.key === easyItem ? 1 : drawShare(item, here, easier, chance);
    shares.set(item.key, share);
    sum += item.weight * share;
    weight += item.weight;
  }
  // 40 % of the marks feel like a clear fail, 95 % like an excellent performance.
  const impression = 1 + (4 * ((100 * sum) / weight - 40)) / 55;
  return { variants, shares, impression };
}

function drawShare(item: ChecklistItem, ability: number, easier: number, chance: Chance): number {
  const ease = item.criticality === 'fails-station' ? 4.6 : item.domain === 'comparison' ? 0.2 : 1;
  const success = 1 / (1 + Math.exp(-(ease + easier + 0.9 * ability)));
  if (chance.uniform() < success) return 1;
  return item.kind === 'graded' || item.kind === 'measured'
    ? chance.uniform() < 0.6
      ? 0.5
      : 0
    : 0;
}

/** What an examiner with this eye taps while watching, in the order of the checklist. */
export function watch(
  content: ChecklistContent,
  seen: Performance,
  eye: Eye,
  ambiguous: readonly string[],
  chance: Chance,
): EventBody[] {
  const bodies: EventBody[] = [];
  for (const item of content.items) {
    const truth = seen.shares.get(item.key);
    if (truth === undefined) continue;
    let share = truth;
    if (ambiguous.includes(item.key)) share = chance.uniform() < 0.5 ? 1 : 0;
    else if (eye.otherSchool.includes(item.key)) share = 0;
    else if (
      item.domain === 'technique' &&
      item.criticality === 'none' &&
      chance.uniform() < eye.harshness
    )
      share = down(item, share);
    else if (item.key !== eye.easyItem && chance.uniform() < SLIPS)
      share = share === 1 ? down(item, 1) : 1;
    bodies.push(markFor(item, share, chance));
    const fault = share === 0 && content.faults.find((f) => f.item === item.key);
    if (fault) bodies.push({ type: 'fault', fault: fault.key, present: true });
  }
  return bodies;
}

function down(item: ChecklistItem, share: number): number {
  return (item.kind === 'graded' || item.kind === 'measured') && share === 1 ? 0.5 : 0;
}

/** The overall grade that this examiner gives for the impression. */
export function grade(seen: Performance, eye: Eye, chance: Chance): number {
  const felt = seen.impression - 1.2 * eye.harshness + 0.35 * chance.normal();
  return Math.max(1, Math.min(5, Math.round(felt)));
}

function markFor(item: ChecklistItem, share: number, chance: Chance): EventBody {
  const saidOnly = share === 0 && item.domain === 'comparison' && chance.uniform() < 0.4;
  return {
    type: 'mark',
    item: item.key,
    value: valueFor(item, saidOnly ? 1 : share, chance),
    observation: 'observed',
    manner: saidOnly ? 'said-only' : 'done',
    prompted: false,
  };
}

function valueFor(item: ChecklistItem, share: number, chance: Chance): number | string {
  switch (item.kind) {
    case 'done':
      return share;
    case 'graded':
      return Math.round(share * (item.anchors.length - 1));
    case 'measured': {
      if (share === 1)
        return stepped(item.lower + chance.uniform() * (item.upper - item.lower), item.step);
      const beyond = share === 0.5 ? item.halfTolerance : item.halfTolerance + 3 * item.step;
      return Math.min(item.maximum, item.upper + beyond);
    }
    case 'count':
    case 'hold':
    case 'sides':
    case 'retest':
    case 'cluster':
      throw new Error(`The demo does not play the kind ${item.kind} (${item.key}).`);
    case 'choice': {
      if (share === 1) return item.answer;
      const wrong = item.options.filter(
        (o) => o.key !== item.answer && !item.partly?.includes(o.key),
      );
      return wrong[chance.below(wrong.length)]?.key ?? item.answer;
    }
  }
}

function stepped(value: number, step: number): number {
  return Math.round(value / step) * step;
}
