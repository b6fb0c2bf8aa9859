import { procedureById } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import { describeEvent, describeValue } from './describeEvent.ts';
import { choicesOf, describeMark } from './markChoices.ts';

const procedure = procedureById('lachman-anterior-translation');
if (!procedure) throw new Error('The catalogue has lost its first procedure.');
const content = liftChecklist(procedure);
const itemOf = (key: string): ChecklistItem => {
  const item = content.items.find((i) => i.key === key);
  if (!item) throw new Error(key);
  return item;
};
const scaleOf = (item: ChecklistItem | undefined): Scale => {
  if (!item || item.kind === 'sides' || item.kind === 'retest' || item.kind === 'cluster') {
    throw new Error('no single scale');
  }
  return item;
};
const measured = content.items.find((i) => i.kind === 'measured');
const graded = content.items.find((i) => i.kind === 'graded');
const seen = {
  observation: 'observed',
  manner: 'done',
  prompted: false,
  item: 'any',
  attempt: 1,
  byFault: null,
  at: 0,
} as const;

describe('the buttons of an item', () => {
  it('are done and not, one a grade with its anchor, or the options of a finding', () => {
    expect(choicesOf(scaleOf(itemOf('consent'))).map((c) => c.label)).toEqual(['Done', 'Not']);
    if (graded?.kind !== 'graded') throw new Error('no graded item');
    expect(choicesOf(graded).map((c) => c.meaning)).toEqual(graded.anchors);
    expect(choicesOf(scaleOf(itemOf('end-point'))).map((c) => c.label)).toEqual(['Firm', 'Soft']);
    expect(choicesOf(scaleOf(measured))).toEqual([]);
  });
});

describe('the line under an item', () => {
  it('says the band before a measurement, and how near it came after it', () => {
    const angle = measured as Extract<ChecklistItem, { kind: 'measured' }>;
    expect(describeMark(angle, undefined)).toContain(`${angle.lower}–${angle.upper}`);
    const at = (value: number) => describeMark(angle, { ...seen, value });
    expect(at(angle.lower)).toBe('within the band');
    expect(at(angle.upper + angle.fullTolerance + angle.halfTolerance)).toBe('near the band');
    expect(at(angle.maximum)).toBe('off the band');
  });

  it('says the manner, and what was not seen', () => {
    const consent = itemOf('consent');
    expect(describeMark(consent, { ...seen, value: 1, manner: 'said-only', prompted: true })).toBe(
      'said only · prompted',
    );
    expect(describeMark(consent, { ...seen, value: null, observation: 'not-observed' })).toBe(
      'not observed',
    );
    expect(describeMark(consent, { ...seen, value: null, observation: 'not-applicable' })).toBe(
      'does not apply',
    );
  });
});

describe('a value in the record', () => {
  it('is the word of the button, or the number with its unit', () => {
    expect(describeValue(itemOf('consent'), { ...seen, value: 0 })).toBe('Not');
    expect(describeValue(measured as ChecklistItem, { ...seen, value: 25 })).toBe('25°');
    expect(describeValue(itemOf('consent'), { ...seen, value: 1, manner: 'mimed' })).toBe(
      'Done, mimed',
    );
    expect(describeValue(itemOf('consent'), undefined)).toBe('no mark');
  });

  it('says both halves of a pair, and why a pair cannot be compared', () => {
    const angle = measured as Extract<ChecklistItem, { kind: 'measured' }>;
    const sides: ChecklistItem = { ...angle, kind: 'sides', left: angle, right: angle };
    const pair = { ...seen, value: { left: 25, right: null } };
    expect(describeValue(sides, pair)).toBe('left 25°, right left out');
    const done = { kind: 'done' } as const;
    const retest: ChecklistItem = {
      ...angle,
      kind: 'retest',
      before: done,
      after: done,
      settings: ['step height'],
    };
    const again = { before: 1, after: 0, changed: ['step height'] };
    expect(describeValue(retest, { ...seen, value: again })).toBe(
      'before Done, after Not; not comparable, changed: step height',
    );
  });

  it('is told event by event in the words of the sheet', () => {
    const say = (body: Parameters<typeof describeEvent>[0]) => describeEvent(body, content);
    const consent = itemOf('consent').text;
    expect(say({ type: 'clear', item: 'consent' })).toBe(`${consent}: mark taken back`);
    expect(say({ type: 'rating', grade: 3 })).toMatch(/^Overall: \w+/);
    expect(say({ type: 'clock', running: false, remaining: 61.4 })).toBe(
      'Clock stopped at 1:02 left',
    );
    const [fault] = content.faults;
    expect(say({ type: 'fault', fault: fault?.key ?? '', present: false })).toBe(
      `Fault taken back: ${fault?.text}`,
    );
    // An item that a newer version dropped is still told, by its key.
    expect(say({ type: 'clear', item: 'gone' })).toBe('gone: mark taken back');
  });
});
