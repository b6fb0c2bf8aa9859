import { actsIn } from '@kritikos/core/checklists/twoActs';
import { readAlong } from '@kritikos/core/checklists/readAlong';
import { verbIn } from '@kritikos/core/checklists/actWords';
import { describe, expect, it } from 'vitest';
import { PROCEDURES } from './procedures.ts';
import { liftChecklist } from './stationChecklist.ts';

/** Words that items begin with and that are no act: what is read, said or drawn stands first. */
const THINGS =
  /^(?:\w+(?:, | or | and )?)*(?:ed|read|said|stated|felt|bent|drop|lag|motion|direction|gap|angle|height|side|deficit|distance|excursion|amount|hold|repetitions?)$/i;

describe('the reading along over the catalogue', () => {
  it('knows the verbs that its items begin with', () => {
    const first = PROCEDURES.flatMap(({ checklist }) =>
      checklist.items
        .filter(({ kind }) => kind === 'done')
        .map(({ text }) => text.split(/[\s,]+/)[0]?.toLowerCase() ?? ''),
    );
    const counts = new Map<string, number>();
    for (const word of first) counts.set(word, (counts.get(word) ?? 0) + 1);
    const unknown = [...counts].filter(([word, n]) => n > 1 && !verbIn(word, 'third'));
    expect(unknown.map(([word]) => word).filter((word) => !THINGS.test(word))).toEqual([]);
  });

  it('finds no fault in the words, anchors, keys and rules of a procedure', () => {
    const found = PROCEDURES.flatMap((procedure) => {
      const content = liftChecklist(procedure);
      const context = { twoSided: procedure.sides !== 'none', derived: content, minutes: 8 };
      return readAlong(content, context)
        .filter(({ rule }) => rule !== 'critical-lost')
        .map(({ rule, words }) => `${procedure.id} ${rule} ${words}`);
    });
    expect(found).toEqual([]);
  });

  it('names a procedure whose safety is only noted, which a lead may want otherwise', () => {
    const only = PROCEDURES.filter(({ checklist }) =>
      checklist.items.every(({ criticality }) => criticality !== 'fails-station'),
    );
    for (const procedure of only) {
      const rules = readAlong(liftChecklist(procedure)).map(({ rule }) => rule);
      expect(rules).toContain('critical-lost');
    }
    expect(only.length).toBeGreaterThan(0);
  });

  it('parts nothing that it calls one act', () => {
    for (const { checklist } of PROCEDURES) {
      for (const { text } of checklist.items) expect(actsIn(text).join('')).toBe(text);
    }
  });
});
