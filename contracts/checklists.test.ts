import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { describe, expect, it } from 'vitest';
import { checklistContent } from './checklists.ts';

describe('the checklist format', () => {
  it.each(PROCEDURES.map((p) => [p.id, p] as const))('takes the catalogue’s %s', (_, procedure) => {
    const result = checklistContent.safeParse(JSON.parse(JSON.stringify(procedure.checklist)));
    expect(result.error?.issues ?? []).toEqual([]);
  });

  it('names the place of what does not fit', () => {
    const [procedure] = PROCEDURES;
    const items = procedure?.checklist.items.map((item, i) =>
      i === 1 ? { ...item, weight: -1 } : item,
    );
    const result = checklistContent.safeParse({ ...procedure?.checklist, items });
    expect(result.error?.issues[0]?.path).toEqual(['items', 1, 'weight']);
  });
});
