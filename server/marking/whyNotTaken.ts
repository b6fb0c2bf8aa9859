import type { ChecklistContent } from '@kritikos/catalogue/procedure';
import type { EventBody } from '@kritikos/contracts/marking';
import { whyNotMarkable } from '@kritikos/core/marking/checkMark';

/** Says in words why a tap cannot stand on this checklist, or `null` where it can. */
export function whyNotTaken(body: EventBody, content: ChecklistContent): string | null {
  switch (body.type) {
    case 'mark':
    case 'clear': {
      const item = content.items.find((i) => i.key === body.item);
      if (!item) return `The item is not on this checklist: ${body.item}.`;
      const why = body.type === 'mark' ? whyNotMarkable(item, body.value, body.observation) : null;
      return why && `“${item.text}” ${why}.`;
    }
    case 'fault':
      return content.faults.some((f) => f.key === body.fault)
        ? null
        : `The fault is not on this checklist: ${body.fault}.`;
    case 'variant':
      return content.variants.some((v) => v.key === body.variant)
        ? null
        : `This is not a variant of the procedure: ${body.variant}.`;
    default:
      return null;
  }
}
