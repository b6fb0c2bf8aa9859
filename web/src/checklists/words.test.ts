import { procedureById } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { checklistContent } from '@kritikos/contracts/checklists';
import { ITEM_KINDS } from '@kritikos/core/checklists/asKind';
import { SOUND } from '@kritikos/core/checklists/testing/soundChecklist';
import { describe, expect, it } from 'vitest';
import { itemWordsOf, sayChanges, sayLack, sayMend, sayPart, sayPiece, sayValue } from './words.ts';

describe('a change in words', () => {
  it('says what stood and what stands', () => {
    expect(sayChanges([{ part: 'weight', before: 1, after: 2 }])).toEqual(['weight: 1 → 2']);
    expect(sayChanges([{ part: 'criticalReason', before: undefined, after: 'It tears' }])).toEqual([
      'reason: nothing → “It tears”',
    ]);
  });

  it('does not tell the parts of another way of marking one by one', () => {
    const parts = [
      { part: 'kind', before: 'measured', after: 'sides' },
      { part: 'lower', before: 10, after: undefined },
      { part: 'left', before: undefined, after: { kind: 'done' } },
      { part: 'weight', before: 1, after: 2 },
    ];
    expect(sayChanges(parts)).toEqual(['way of marking: measured → both sides', 'weight: 1 → 2']);
  });

  it('names items by their words', () => {
    const items = itemWordsOf(SOUND);
    expect(sayValue([{ earns: 'consent', before: 'ramp' }], items)).toBe(
      'earns: “Gains spoken consent before touching” only before: “Builds the force up slowly”',
    );
    expect(sayValue([{ when: 'result', is: ['negative'], skips: ['ramp'] }], items)).toBe(
      'when “States the result” is negative skips “Builds the force up slowly”',
    );
    expect(sayValue([{ key: 'jerk', text: 'Jerks', item: 'ramp', grade: 0 }], items)).toBe(
      'Jerks (“Builds the force up slowly”)',
    );
  });

  it('names a piece, an item by its words whatever became of it', () => {
    const [item] = SOUND.items;
    expect(sayPiece('item/consent', null, { place: 'a', item })).toBe(
      '“Gains spoken consent before touching”',
    );
    expect(sayPiece('stopRule', '')).toBe('Stop rule');
  });
});

describe('a word of the vocabulary', () => {
  it('is said as the page says it', () => {
    expect(sayChanges([{ part: 'criticality', before: 'none', after: 'flag' }])).toEqual([
      'what missing it does: counts by its weight → missing it is noted on the report',
    ]);
    expect(sayChanges([{ part: 'domain', before: 'technique', after: 'communication' }])).toEqual([
      'phase: perform → close',
    ]);
  });
});

describe('the action of a finding', () => {
  it('says what it does', () => {
    expect(sayMend({ do: 'split', item: 'a', into: ['One', 'Two', 'Three'] })).toBe('Make 3 items');
    expect(sayMend({ do: 'minutes', minutes: 9 })).toBe('Give the station 9 minutes');
    expect(sayMend({ do: 'fail-station', items: ['a'] })).toBe('Missing it fails the station');
    expect(sayMend({ do: 'band', item: 'a', lower: 4, upper: 4 })).toBe('Lay the band at 4');
  });
});

describe('what a draft lacks', () => {
  it('is said in words, whatever of it is missing', () => {
    const procedure = procedureById('lachman-anterior-translation');
    if (!procedure) throw new Error('The catalogue has lost its first procedure.');
    const whole = liftChecklist(procedure);
    const [first] = whole.items;
    const empty = { left: null, right: null, before: null, after: null, settings: [], needs: null };
    const items = [
      ...whole.items.map((item) => ({
        ...item,
        ...{ text: '', weight: null, anchors: [], options: [], answer: '', unit: '', lower: null },
      })),
      ...ITEM_KINDS.map((kind) => ({ ...first, ...empty, key: `a-${kind}`, kind })),
    ];
    const draft = { ...whole, items, stopRule: '', attempts: null };
    const issues = checklistContent.safeParse(draft).error?.issues ?? [];
    expect(issues.length).toBeGreaterThan(30);
    for (const issue of issues) {
      expect(sayLack(issue)).not.toMatch(/invalid|expected|received|too small|hyphens/i);
      for (const part of issue.path.slice(issue.path[0] === 'items' ? 2 : 0))
        if (typeof part === 'string') expect(sayPart(part), part).not.toMatch(/[A-Z-]/);
    }
    expect(sayLack({ code: 'too_small', message: '', minimum: 3, origin: 'array' })).toBe(
      'needs 3 or more',
    );
  });
});
