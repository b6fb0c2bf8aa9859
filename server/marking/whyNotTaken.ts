import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { EventBody } from '@kritikos/contracts/marking';
import { whyNotMarkable } from '@kritikos/core/marking/checkMark';

/** Says in words why a tap cannot stand on this checklist, or `null` where it can. */
export function whyNotTaken(body: EventBody, content: ChecklistContent): string | null {
  switch (body.type) {
    case 'mark':
    case 'clear': {
      const item = content.items.find((i) => i.key === body.item);
      if (!item) return `The item is not on this checklist: ${body.item}.`;
      const { attempt = 1 } = body;
      const { allowed } = content.attempts;
      if (attempt > allowed) {
        const times = ['once', 'twice', 'three times'][allowed - 1] ?? `${allowed} times`;
        return `It is of attempt ${attempt}; a candidate may begin here ${times}.`;
      }
      const { byFault } = body.type === 'mark' ? body : {};
      if (
        byFault !== undefined &&
        !content.faults.some((f) => f.key === byFault && f.item === item.key)
      )
        return `No fault of that name spoils “${item.text}”: ${byFault}.`;
      const why = body.type === 'mark' ? whyNotMarkable(item, body.value, body.observation) : null;
      return why && `“${item.text}” ${why}.`;
    }
    case 'fault':
      return content.faults.some((f) => f.key === body.fault)
        ? null
        : `The fault is not on this checklist: ${body.fault}.`;
    case 'variant':
      return whyNotVariant(body, content);
    default:
      return null;
  }
}

/** A variant belongs to the procedure that is named, or to the only one that there is. */
function whyNotVariant(
  { variant, procedure }: Extract<EventBody, { type: 'variant' }>,
  { procedures }: ChecklistContent,
): string | null {
  if (procedure === undefined && procedures.length > 1) {
    return 'It must be said which procedure the variant is of.';
  }
  const own = procedures.find((p) => procedure === undefined || p.procedure === procedure);
  if (!own) return `The procedure is not on this checklist: ${procedure}.`;
  return own.variants.some((v) => v.key === variant)
    ? null
    : `This is not a variant of the procedure: ${variant}.`;
}
