import { earnedShare } from '../scoring/mark.ts';
import type { Mark, MarkValue } from '../scoring/mark.ts';
import type { ChecklistItem, Scale } from '../scoring/checklist.ts';

/** A mark that an examiner can set on an item, and the share that it earns. */
export interface Option {
  readonly share: number;
  readonly mark: Mark;
}

/** The marks of an item that earn different shares, the least first: what a rehearsal chooses from. */
export function optionsOf(item: ChecklistItem): Option[] {
  const byShare = new Map<number, Option>();
  for (const value of valuesOf(item)) {
    const mark: Mark = {
      item: item.key,
      value,
      observation: 'observed',
      manner: 'done',
      prompted: false,
      at: 0,
    };
    const share = earnedShare(item, mark);
    if (share !== null && !byShare.has(share)) byShare.set(share, { share, mark });
  }
  return [...byShare.values()].sort((a, b) => a.share - b.share);
}

function valuesOf(item: ChecklistItem): MarkValue[] {
  switch (item.kind) {
    case 'sides': {
      const [left, right] = [single(item.left), single(item.right)];
      return left.map((value, i) => ({ left: value, right: right[i] ?? right[0] ?? null }));
    }
    case 'retest': {
      const [before, after] = [single(item.before), single(item.after)];
      return before.map((value, i) => ({
        before: value,
        after: after[i] ?? after[0] ?? null,
        changed: [],
      }));
    }
    case 'cluster': {
      const whole = [...item.needs, ...(item.from?.of ?? [])];
      return [[], whole.slice(0, Math.ceil(whole.length / 2)), whole];
    }
    default:
      return single(item);
  }
}

/** Values that earn all, a part and nothing of a scale, where the scale has them. */
function single(scale: Scale): (number | string)[] {
  switch (scale.kind) {
    case 'done':
      return [1, 0];
    case 'graded':
      return scale.anchors.map((_, grade) => grade);
    case 'measured': {
      const { lower, upper, fullTolerance, halfTolerance, minimum, maximum } = scale;
      const between = (fullTolerance + halfTolerance) / 2;
      return [(lower + upper) / 2, upper + between, lower - between, maximum, minimum];
    }
    case 'count':
    case 'hold':
      return [scale.lower, scale.upper + scale.halfTolerance, scale.maximum, 0];
    case 'choice':
      return [
        scale.answer,
        ...(scale.partly ?? []),
        ...scale.options.map(({ key }) => key).filter((key) => key !== scale.answer),
      ];
  }
}
