import type { ChecklistContent } from '@kritikos/catalogue/procedure';
import type { EventBody } from '@kritikos/contracts/marking';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { bandWords } from '../catalogue/bandWords.ts';
import { choicesOf } from './markChoices.ts';

/** A value to be read: the label of the button with its anchor, or the number with its unit. */
export function describeValue(
  item: ChecklistItem,
  mark: { value: number | string | null; observation: string; manner: string } | undefined,
): string {
  if (!mark) return 'no mark';
  if (mark.observation !== 'observed') {
    return mark.observation === 'not-observed' ? 'not observed' : 'does not apply';
  }
  const choice = choicesOf(item).find((c) => c.value === mark.value);
  const text =
    item.kind === 'measured'
      ? bandWords(Number(mark.value), Number(mark.value), item.unit)
      : item.kind === 'graded'
        ? `${choice?.label ?? mark.value}: ${item.anchors[Number(mark.value)] ?? ''}`
        : (choice?.label ?? String(mark.value));
  return mark.manner === 'done' ? text : `${text}, ${mark.manner.replace('-', ' ')}`;
}

/** One event of a sheet in the words of the sheet. */
export function describeEvent(body: EventBody, content: ChecklistContent): string {
  const item = (key: string) => content.items.find((i) => i.key === key);
  switch (body.type) {
    case 'mark': {
      const found = item(body.item);
      return `${found?.text ?? body.item}: ${found ? describeValue(found, body) : ''}`;
    }
    case 'clear':
      return `${item(body.item)?.text ?? body.item}: mark taken back`;
    case 'fault':
      return `Fault ${body.present ? 'seen' : 'taken back'}: ${content.faults.find((f) => f.key === body.fault)?.text ?? body.fault}`;
    case 'variant':
      return `Variant: ${content.variants.find((v) => v.key === body.variant)?.label ?? body.variant}`;
    case 'comment':
      return `Comment: ${body.text}`;
    case 'rating':
      return `Overall: ${FIVE_POINT_SCALE.find((g) => g.grade === body.grade)?.label ?? body.grade}`;
    case 'clock':
      return `Clock ${body.running ? 'started' : 'stopped'} at ${Math.round(body.remaining)} s left`;
    case 'safety':
      return `Safety stop. ${body.note}`;
    case 'dropped':
      return `Refused and dropped: ${body.what}. Why: ${body.why}`;
    case 'submit':
      return 'Submitted';
  }
}
