import type { ChecklistItem, Scale } from '../scoring/checklist.ts';
import type { MarkValue, Observation } from '../scoring/mark.ts';

/**
 * Says in words why a value cannot stand on an item, or `null` where it can. An observed mark
 * needs a value in the item's own range; one not observed or not applicable must have none.
 */
export function whyNotMarkable(
  item: ChecklistItem,
  value: MarkValue,
  observation: Observation,
): string | null {
  if (observation !== 'observed') {
    return value === null ? null : 'must be empty where nothing was observed';
  }
  switch (item.kind) {
    case 'sides':
      return whyNotPair(value, { left: item.left, right: item.right });
    case 'retest': {
      const { changed, ...pair }: Record<string, unknown> = isRecord(value) ? value : {};
      if (!Array.isArray(changed)) return 'must say which settings were changed, or none';
      const strange = changed.filter((name) => !item.settings.includes(String(name)));
      if (strange.length > 0) return `has no setting ${strange.join(', ')}`;
      return whyNotPair(pair, { before: item.before, after: item.after });
    }
    case 'cluster': {
      const keys = item.options.map((option) => option.key);
      if (!Array.isArray(value)) return 'must be the findings that were named';
      const fits = value.every((name) => keys.includes(String(name)));
      return fits ? null : `must be of ${keys.join(', ')}`;
    }
    default:
      return whyNotOn(item, value);
  }
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** Both halves of a pair on their scales; one of them may have been left out. */
function whyNotPair(value: unknown, scales: Readonly<Record<string, Scale>>): string | null {
  const names = Object.keys(scales);
  const pair = isRecord(value) ? value : {};
  if (Object.keys(pair).sort().join() !== [...names].sort().join()) {
    return `must have ${names.join(' and ')}`;
  }
  if (names.every((name) => pair[name] === null)) return `must have ${names.join(' or ')}`;
  for (const [name, scale] of Object.entries(scales)) {
    const why = pair[name] === null ? null : whyNotOn(scale, pair[name]);
    if (why) return `${name} ${why}`;
  }
  return null;
}

function whyNotOn(scale: Scale, value: unknown): string | null {
  const within = (least: number, most: number) =>
    typeof value === 'number' && value >= least && value <= most;
  const whole = (most: number) => Number.isInteger(value) && within(0, most);
  switch (scale.kind) {
    case 'done':
      return value === 0 || value === 1 ? null : 'must be 0 (not done) or 1 (done)';
    case 'graded': {
      const top = scale.anchors.length - 1;
      return whole(top) ? null : `must be a grade from 0 to ${top}`;
    }
    case 'measured': {
      const { minimum, maximum, unit } = scale;
      return within(minimum, maximum) ? null : `must be from ${minimum} to ${maximum} ${unit}`;
    }
    case 'count':
      return whole(scale.maximum)
        ? null
        : `must be a whole number from 0 to ${scale.maximum} ${scale.unit}`;
    case 'hold':
      return within(0, scale.maximum) ? null : `must be from 0 to ${scale.maximum} seconds`;
    case 'choice': {
      const keys = scale.options.map((option) => option.key);
      return keys.includes(String(value)) ? null : `must be one of ${keys.join(', ')}`;
    }
  }
}
