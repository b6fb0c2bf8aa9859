import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { liftChecklist, stationChecklist } from '@kritikos/catalogue/stationChecklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import { checklistContent, procedureChecklist, writtenChecklist } from './checklists.ts';

describe('the checklist format', () => {
  it.each(PROCEDURES.map((p) => [p.id, p] as const))('takes the catalogue’s %s', (_, procedure) => {
    const old = JSON.parse(JSON.stringify(procedure.checklist));
    expect(procedureChecklist.safeParse(old).error?.issues ?? []).toEqual([]);
    const now = JSON.parse(JSON.stringify(liftChecklist(procedure)));
    expect(checklistContent.safeParse(now).error?.issues ?? []).toEqual([]);
    expect(writtenChecklist.safeParse(old).success).toBe(true);
    expect(writtenChecklist.safeParse(now).data).toEqual(now);
  });

  it('names the place of what does not fit', () => {
    const [procedure] = PROCEDURES;
    const items = procedure?.checklist.items.map((item, i) =>
      i === 1 ? { ...item, weight: -1 } : item,
    );
    const result = procedureChecklist.safeParse({ ...procedure?.checklist, items });
    expect(result.error?.issues[0]?.path).toEqual(['items', 1, 'weight']);
  });

  const [one, two] = PROCEDURES;
  if (!one || !two) throw new Error('The catalogue has lost its procedures.');
  const whole = stationChecklist([one, two], {
    [two.id]: two.checklist.items.slice(-6).map((i) => i.key),
  });
  const [first, second] = whole.items.map((item) => item.key);
  const scale = { kind: 'count', unit: 'steps', lower: 3, upper: 3, halfTolerance: 1, maximum: 9 };
  const { text, domain, weight, observability, criticality, safety, saidEarns } = whole
    .items[0] as ChecklistContent['items'][number];
  const base = { text, domain, weight, observability, criticality, safety, saidEarns };

  it('takes every kind and rule of its second version', () => {
    const items = [
      ...whole.items,
      { ...base, key: 'count', ...scale },
      { ...base, key: 'hold', kind: 'hold', lower: 15, upper: 20, halfTolerance: 5, maximum: 60 },
      { ...base, key: 'sides', kind: 'sides', left: scale, right: scale, declared: true },
      { ...base, key: 'again', kind: 'retest', before: scale, after: scale, settings: ['cue'] },
      {
        ...base,
        key: 'cluster',
        kind: 'cluster',
        options: ['a', 'b', 'c'].map((key) => ({ key, label: key })),
        needs: ['a'],
        from: { atLeast: 1, of: ['b', 'c'] },
      },
    ];
    const content = {
      ...whole,
      items,
      order: [{ earns: first, before: second }],
      branches: [{ when: first, is: [1], skips: [second] }],
      attempts: { allowed: 2, counts: 'best' },
    };
    expect(checklistContent.safeParse(content).error?.issues ?? []).toEqual([]);
  });

  it.each([
    [
      'an order of items that are not there',
      { order: [{ earns: 'nowhere', before: first }] },
      ['order', 0],
    ],
    ['an item before itself', { order: [{ earns: first, before: first }] }, ['order', 0]],
    [
      'a branch to nowhere',
      { branches: [{ when: first, is: [1], skips: ['nowhere'] }] },
      ['branches', 0],
    ],
    [
      'an item that skips itself',
      { branches: [{ when: first, is: [1], skips: [first] }] },
      ['branches', 0, 'skips'],
    ],
    [
      'a procedure twice',
      { procedures: [whole.procedures[0], whole.procedures[0]] },
      ['procedures', 1, 'procedure'],
    ],
    [
      'sides of two kinds',
      {
        items: [
          ...whole.items,
          { ...base, key: 'sides', kind: 'sides', left: scale, right: { kind: 'done' } },
        ],
      },
      ['items', whole.items.length, 'right', 'kind'],
    ],
    [
      'a cluster that asks for more than there is',
      {
        items: [
          ...whole.items,
          {
            ...base,
            key: 'cluster',
            kind: 'cluster',
            options: ['a', 'b'].map((key) => ({ key, label: key })),
            needs: [],
            from: { atLeast: 2, of: ['a'] },
          },
        ],
      },
      ['items', whole.items.length, 'from'],
    ],
    [
      'an item of a procedure that is not here',
      { items: [...whole.items, { ...base, key: 'count', ...scale, procedure: 'nowhere' }] },
      ['items', whole.items.length, 'procedure'],
    ],
  ])('refuses %s, and says where', (_, change, path) => {
    const { error } = checklistContent.safeParse({ ...whole, ...change });
    expect(error?.issues.map((issue) => issue.path)).toContainEqual(path);
  });
});
