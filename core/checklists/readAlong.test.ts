import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from '../scoring/checklist.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';
import type { EarlierUse } from './earlierUse.ts';
import type { Finding, ReadingRule } from './finding.ts';
import { READING_RULES } from './finding.ts';
import { mend } from './mend.ts';
import { readAlong } from './readAlong.ts';
import type { ReadingContext } from './readAlong.ts';
import { doneItem, SOUND } from './testing/soundChecklist.ts';
import { secondsToMark, timeNeeded } from './timeToMark.ts';

type Changed = Partial<Record<string, unknown>>;
const withItem = (key: string, change: Changed): DraftContent => ({
  ...SOUND,
  items: SOUND.items.map((item) => (item.key === key ? { ...item, ...change } : item) as DraftItem),
});
const without = (...keys: string[]): DraftContent => ({
  ...SOUND,
  items: SOUND.items.filter(({ key }) => !keys.includes(key)),
});
const use = (change: Partial<EarlierUse>): EarlierUse => ({
  marked: 48,
  facility: 0.7,
  pairs: 16,
  agreement: 0.6,
  dispute: { kind: 'agreed', examiner: null, direction: null },
  ...change,
});
const many: readonly ChecklistItem[] = Array.from({ length: 30 }, (_, i) =>
  doneItem(`more-${i}`, `Lays the forearm along edge ${i} of the table`),
);

interface Broken {
  readonly rule: ReadingRule;
  readonly content: DraftContent;
  readonly context?: ReadingContext;
  readonly item: string | null;
  readonly words: RegExp;
}

/** The sound checklist broken once for each rule. */
const BROKEN: readonly Broken[] = [
  {
    rule: 'near-double',
    content: {
      ...SOUND,
      items: [...SOUND.items, doneItem('again', 'Gains spoken consent before touching the knee')],
    },
    item: 'again',
    words:
      /^“Gains spoken consent before touching the knee” asks what “Gains spoken consent before touching” asks$/,
  },
  {
    rule: 'two-acts',
    content: withItem('stops', { text: 'Lets go at once and lowers the limb' }),
    item: 'stops',
    words: /two acts.*“Lets go at once”, “Lowers the limb”/,
  },
  {
    rule: 'vague',
    content: withItem('ramp', { text: 'Builds up an adequate force' }),
    item: 'ramp',
    words: /“adequate”/,
  },
  {
    rule: 'vague',
    content: withItem('ramp', { anchors: ['Poor', 'Fair', 'Slow throughout'] }),
    item: 'ramp',
    words: /“Poor”, “Fair”/,
  },
  {
    rule: 'no-anchors',
    content: withItem('ramp', { anchors: ['', '', ''] }),
    item: 'ramp',
    words: /not described/,
  },
  {
    rule: 'no-anchors',
    content: withItem('ramp', { anchors: ['Jerks', '', 'Slow at first', 'Slow'] }),
    item: 'ramp',
    words: /1 of its 4 grades is not described/,
  },
  {
    rule: 'no-key',
    content: withItem('result', { answer: '' }),
    context: { derived: SOUND },
    item: 'result',
    words: /none is right/,
  },
  {
    rule: 'no-comparison',
    content: without('both-sides'),
    item: null,
    words: /No item asks for the other side/,
  },
  {
    rule: 'no-stop-rule',
    content: { ...SOUND, stopRule: ' ' },
    item: null,
    words: /when to stop/,
  },
  {
    rule: 'critical-lost',
    content: without('stops'),
    item: 'consent',
    // Weights 1 (consent), 1, 1, 2, 1: without consent 5 of 6.
    words: /still has 83 %; 50 % pass/,
  },
  {
    rule: 'too-many',
    content: { ...SOUND, items: [...SOUND.items, ...many] },
    context: { minutes: 5 },
    item: null,
    words: /36 items take about \d+ s.*5 minutes leave 75 s/,
  },
  {
    rule: 'cannot-show',
    content: withItem('result', { answer: 'negative' }),
    context: { derived: SOUND, patient: 'a torn ligament' },
    item: 'result',
    words: /key is “Negative”; the patient \(a torn ligament\) shows “Positive”/,
  },
  {
    rule: 'cannot-show',
    content: withItem('angle', { lower: 70, upper: 90 }),
    context: { derived: SOUND, patient: 'a torn ligament' },
    item: 'angle',
    words: /band is 70 to 90 °; .* shows 20 to 30 °/,
  },
  {
    rule: 'skewed',
    content: SOUND,
    context: { earlier: { ramp: use({ facility: 1 }) } },
    item: 'ramp',
    words: /earned 100 % on 48 sheets/,
  },
];

const found = ({ content, context }: Pick<Broken, 'content' | 'context'>) =>
  readAlong(content, context);
const ruleOf = ({ rule }: Finding) => rule;

describe('reading along', () => {
  it('finds nothing in a checklist that is sound', () => {
    expect(readAlong(SOUND, { derived: SOUND, minutes: 5, earlier: { ramp: use({}) } })).toEqual(
      [],
    );
  });

  it.each(BROKEN)('finds $rule in its place, once', (broken) => {
    const own = found(broken);
    expect(own.map(ruleOf)).toEqual([broken.rule]);
    expect(own[0]?.item).toBe(broken.item);
    expect(own[0]?.words).toMatch(broken.words);
    expect(own[0]?.reason).not.toBe('');
  });

  it.each(BROKEN)('puts $rule right by its one action', (broken) => {
    const [own] = found(broken);
    if (!own) throw new Error('nothing was found');
    const mended = mend(broken.content, own.mend);
    const context = { ...broken.context, ...(mended.minutes ? { minutes: mended.minutes } : {}) };
    expect(readAlong(mended.content, context).map(ruleOf)).not.toContain(broken.rule);
  });

  it('leaves to a person what only a person can write', () => {
    const cases: [ReadingRule, DraftContent, ReadingContext][] = [
      ['no-key', withItem('result', { answer: '' }), {}],
      ['no-reason', withItem('consent', { criticalReason: '' }), {}],
      [
        'ambiguous',
        SOUND,
        {
          earlier: {
            ramp: use({ dispute: { kind: 'ambiguous', examiner: null, direction: null } }),
          },
        },
      ],
      [
        'one-sided',
        SOUND,
        {
          earlier: {
            ramp: use({ dispute: { kind: 'one-sided', examiner: 'B. Ok', direction: 'harsher' } }),
          },
        },
      ],
    ];
    for (const [rule, content, context] of cases) {
      const [own] = readAlong(content, context);
      expect(own).toMatchObject({ rule, mend: { do: 'write' } });
      expect(mend(content, own?.mend ?? { do: 'minutes', minutes: 0 }).content).toBe(content);
    }
    expect(readAlong(SOUND, cases[3]?.[2])[0]?.words).toMatch(
      /agreed on it in 60 % of 16 candidates; B\. Ok was the harsher throughout/,
    );
  });

  it('has every rule broken by one of these tests', () => {
    const broken = [...BROKEN.map(({ rule }) => rule), 'no-reason', 'ambiguous', 'one-sided'];
    expect(new Set(broken)).toEqual(new Set(READING_RULES));
  });

  it('takes for nearly one what begins alike and says no more than the other, and nothing else', () => {
    const found = (one: string, other: string, more = {}) =>
      readAlong({
        ...SOUND,
        items: [...SOUND.items, doneItem('one', one), doneItem('other', other, more)],
      }).filter(({ rule }) => rule === 'near-double').length;
    expect(found('Cleans hands', 'Cleans hands before touching')).toBe(1);
    expect(found('Cleans the hands before touching', 'Cleans hands')).toBe(1);
    expect(found('Presses the left thumb', 'Presses the right thumb')).toBe(0);
    expect(found('Cleans hands', 'Dries hands')).toBe(0);
    expect(found('Asks', 'Asks for pain')).toBe(0);
    expect(found('Cleans hands', 'Cleans hands again', { procedure: 'another' })).toBe(0);
    expect(found('Cleans hands', 'Cleans hands again', { variants: ['seated'] })).toBe(1);
  });

  it('reads an unfinished draft: no numbers, no key, no words', () => {
    const unfinished = withItem('angle', { lower: null, upper: null, weight: null, text: '' });
    expect(() => readAlong(unfinished, { derived: SOUND, minutes: 8 })).not.toThrow();
  });

  it('does not ask for another side where there is none', () => {
    expect(readAlong(without('both-sides'), { twoSided: false })).toEqual([]);
  });

  it('does not ask for it where the test is to be left undone', () => {
    const withheld = [{ procedure: 'twist', why: 'The knee is swollen.', acts: ['Twists'] }];
    expect(readAlong({ ...without('both-sides'), withheld })).toEqual([]);
  });

  it('says nothing of a skewed item that everybody must do, nor of one hardly ever marked', () => {
    const asked = { consent: use({ facility: 1 }), ramp: use({ facility: 1, marked: 5 }) };
    expect(readAlong(SOUND, { earlier: asked })).toEqual([]);
  });
});

describe('putting right', () => {
  const [two] = readAlong(withItem('stops', { text: 'Lets go at once and lowers the limb' }));

  it('shares the weight among the acts, and keeps key, place and criticality', () => {
    const broken = withItem('stops', { text: 'Lets go at once and lowers the limb', weight: 3 });
    const { items } = mend(broken, two?.mend ?? { do: 'minutes', minutes: 0 }).content;
    const acts = items.slice(2, 4);
    expect(acts.map(({ key }) => key)).toEqual(['stops', 'stops-2']);
    expect(acts.map(({ weight }) => weight)).toEqual([1.5, 1.5]);
    expect(acts.every(({ criticality }) => criticality === 'fails-station')).toBe(true);
  });

  it('takes what names an item out with it', () => {
    const gone = mend(SOUND, { do: 'remove', item: 'ramp' }).content;
    expect(gone.faults).toEqual([]);
    expect(gone.branches).toEqual([]);
    expect(mend(SOUND, { do: 'remove', item: 'angle' }).content.order).toEqual([]);
  });
});

describe('the time that marking takes', () => {
  it('is that of the keystroke-level model: read, decide, reach, press', () => {
    // Seven words at 238 a minute, M 1.35 s, P 1.1 s, K 0.2 s (Card, Moran & Newell; from memory).
    const item = doneItem('seven', 'Lays the forearm along the table edge');
    expect(secondsToMark(item)).toBeCloseTo((7 * 60) / 238 + 1.35 + 1.1 + 0.2, 10);
  });

  it('lets an examiner mark 14 short items in five minutes, not 25', () => {
    // A sheet of one screen fits a short station (common practice, no source).
    const items = (n: number) => many.slice(0, n);
    const fits = (n: number) => timeNeeded(items(n), 5).seconds <= timeNeeded(items(n), 5).given;
    expect(fits(14)).toBe(true);
    expect(fits(25)).toBe(false);
  });
});
