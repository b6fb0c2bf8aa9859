import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { EventBody } from '@kritikos/contracts/marking';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import type { MarkValue, RetestValue, SidesValue, Value } from '@kritikos/core/scoring/mark';
import { bandWords } from '@kritikos/core/marking/bandWords';
import { minutesAndSeconds } from '@kritikos/core/marking/stationClock';

/** A value to be read: the label of the button with its anchor, or the number with its unit. */
export function describeValue(
  item: ChecklistItem,
  mark: { value: MarkValue; observation: string; manner: string } | undefined,
): string {
  if (!mark) return 'no mark';
  if (mark.observation !== 'observed') {
    return mark.observation === 'not-observed' ? 'not observed' : 'does not apply';
  }
  const text = words(item, mark.value);
  return mark.manner === 'done' ? text : `${text}, ${mark.manner.replace('-', ' ')}`;
}

function words(item: ChecklistItem, value: MarkValue): string {
  switch (item.kind) {
    case 'sides': {
      const { left, right } = value as SidesValue;
      return `left ${onScale(item.left, left)}, right ${onScale(item.right, right)}`;
    }
    case 'retest': {
      const { before, after, changed } = value as RetestValue;
      const pair = `before ${onScale(item.before, before)}, after ${onScale(item.after, after)}`;
      return changed.length === 0
        ? pair
        : `${pair}; not comparable, changed: ${changed.join(', ')}`;
    }
    case 'cluster': {
      const named = value as readonly string[];
      const labels = item.options.filter((o) => named.includes(o.key)).map((o) => o.label);
      return labels.join(', ') || 'nothing named';
    }
    default:
      return onScale(item, value as Value);
  }
}

function onScale(scale: Scale, value: Value): string {
  if (value === null) return 'left out';
  switch (scale.kind) {
    case 'done':
      return value === 1 ? 'Done' : 'Not';
    case 'graded':
      return `${value}: ${scale.anchors[Number(value)] ?? ''}`;
    case 'measured':
      return bandWords(Number(value), Number(value), scale.unit);
    case 'count':
      return `${value} ${scale.unit}`;
    case 'hold':
      return `${value} s`;
    case 'choice':
      return scale.options.find((o) => o.key === value)?.label ?? String(value);
  }
}

/** One event of a sheet in the words of the sheet. */
export function describeEvent(body: EventBody, content: ChecklistContent): string {
  const item = (key: string) => content.items.find((i) => i.key === key);
  switch (body.type) {
    case 'mark': {
      const found = item(body.item);
      const by = content.faults.find((f) => f.key === body.byFault);
      const value = `${found?.text ?? body.item}: ${found ? describeValue(found, body) : ''}`;
      return by ? `${value}, by the fault “${by.text}”` : value;
    }
    case 'clear':
      return `${item(body.item)?.text ?? body.item}: mark taken back`;
    case 'fault':
      return `Fault ${body.present ? 'seen' : 'taken back'}: ${content.faults.find((f) => f.key === body.fault)?.text ?? body.fault}`;
    case 'variant':
      return `Variant: ${content.procedures.flatMap((p) => p.variants).find((v) => v.key === body.variant)?.label ?? body.variant}`;
    case 'comment':
      return `Comment: ${body.text}`;
    case 'rating':
      if (body.grade === null) return 'Overall: taken back';
      return `Overall: ${FIVE_POINT_SCALE.find((g) => g.grade === body.grade)?.label ?? body.grade}`;
    case 'clock':
      return `Clock ${body.running ? 'started' : 'stopped'} at ${minutesAndSeconds(body.remaining)} left`;
    case 'safety':
      return `Safety stop at ${minutesAndSeconds(body.remaining)} left. ${body.note}`.trim();
    case 'safety-note':
      return `Of the safety stop: ${body.note}`;
    case 'safety-taken-back':
      return 'Safety stop taken back: it was a slip';
    case 'dropped':
      return `Refused and dropped: ${body.what}. Why: ${body.why}`;
    case 'submit':
      return 'Submitted';
  }
}
