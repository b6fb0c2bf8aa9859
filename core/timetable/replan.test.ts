import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differenceOf } from './difference.ts';
import { planDay } from './planDay.ts';
import type { Slot } from './problem.ts';
import { quarantineOf } from './quarantine.ts';
import { replanned } from './replan.ts';
import type { Happened } from './replan.ts';
import { checkPlan } from './testing/checkPlan.ts';
import { anyProblem, plainProblem } from './testing/problems.ts';

const BUDGET = { seed: 7, nodes: 500, seconds: 60 };
const NOTHING = { examiners: [], patients: [], gone: [], late: [] };
const clock = (minute: number) =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
const people = (names: readonly string[], stations: readonly string[] | null = null) =>
  names.map((id) => ({ id, stations, available: null }));
const examinersOf = (slots: readonly Slot[], station: string, after: number) =>
  new Set(slots.flatMap((s) => (s.station === station && s.start > after ? [s.examiner] : [])));

describe('the rest of a day, planned again', () => {
  // Against the rules alone: what had begun stays, and nothing is broken that is not told.
  it('keeps what has begun and breaks no rule that it does not tell', async () => {
    await fc.assert(
      fc.asyncProperty(
        anyProblem,
        fc.array(fc.nat(999), { minLength: 6, maxLength: 6 }),
        async (problem, lots) => {
          const made = await planDay(problem, BUDGET).catch(() => null);
          if (!made) return;
          const lot = (i: number) => lots[i] ?? 0;
          const starts = made.slots.map(({ start }) => start);
          const [first, last] = [Math.min(...starts), Math.max(...starts)];
          const now = Math.round(first + ((last - first) * lot(0)) / 999);
          const [ill, gone, late] = [
            problem.examiners[lot(1) % problem.examiners.length],
            problem.candidates[lot(2) % problem.candidates.length],
            problem.candidates[lot(3) % problem.candidates.length],
          ];
          const happened: Happened = {
            ...NOTHING,
            now,
            examiners: [ill?.id ?? ''],
            patients: problem.patients.slice(lot(5) % 3, 1 + (lot(5) % 3)).map(({ id }) => id),
            gone: [gone?.id ?? ''],
            late: late && late !== gone ? [{ candidate: late.id, from: now + (lot(4) % 60) }] : [],
          };
          const { slots, unmet } = await replanned(problem, made.slots, happened, BUDGET);
          const begun = (list: readonly Slot[]) => list.filter(({ start }) => start <= now);
          expect(begun(slots)).toEqual(begun(made.slots));
          const rest = slots.filter(({ start }) => start > now);
          expect(
            rest.some(({ examiner, second }) => [examiner, second].includes(ill?.id ?? '')),
          ).toBe(false);
          expect(rest.some(({ candidate }) => candidate === gone?.id)).toBe(false);
          for (const { candidate, from } of happened.late)
            expect(rest.every((s) => s.candidate !== candidate || s.start >= from)).toBe(true);
          // A latecomer may change the circuit and rest less; whom no way holds is told.
          const untold = checkPlan(problem, slots).filter(
            (what) =>
              !/in two circuits| rests \d|rings/.test(what) &&
              // Where nothing was agreed, the same joint twice is a pity that the plan had before too.
              !problem.patients.some(
                ({ id, mostInARow }) => mostInARow === null && what.startsWith(`${id} is stressed`),
              ) &&
              !what.startsWith(`${gone?.id} is at`) &&
              !unmet.some(({ rule, who }) => rule === 'circuit' && what.startsWith(`${who} is at`)),
          );
          expect(untold).toEqual([]);
          const open = rest.filter(
            ({ station, examiner }) => station !== null && examiner === null,
          );
          expect(unmet.filter(({ rule }) => rule === 'examiner').length).toBe(open.length);
        },
      ),
      { numRuns: 120, seed: 20270523 },
    );
  });

  it('puts one person in and moves nobody else where somebody is free for all of it', async () => {
    const problem = plainProblem(12, 4, 1, { examiners: people(['e1', 'e2', 'e3', 'e4', 'e5']) });
    const { slots } = await planDay(problem, BUDGET);
    const ill = slots.find(({ station }) => station === 's1')?.examiner ?? '';
    const spare =
      problem.examiners.find(({ id }) => !slots.some((s) => s.examiner === id))?.id ?? '';
    const after = await replanned(
      problem,
      slots,
      { ...NOTHING, now: 60, examiners: [ill] },
      BUDGET,
    );
    expect(after.unmet).toEqual([]);
    const { people: told } = differenceOf(slots, after.slots, clock);
    expect(told.map(({ who, as }) => [who, as])).toEqual([
      [ill, 'examiner'],
      [spare, 'examiner'],
    ]);
    expect(told[1]?.words).toEqual([expect.stringMatching(/^now s1 from 1:0\d to 2:1\d$/)]);
    expect(examinersOf(after.slots, 's1', 60)).toEqual(new Set([spare]));
  });

  // Worked by hand: e5 may only examine s2, so e2 goes from s2 to s1 and e5 to s2.
  it('moves a chain of two where nobody who is free may examine there', async () => {
    const problem = plainProblem(12, 4, 1, {
      examiners: [
        ...people(['e1'], ['s1']),
        ...people(['e2'], ['s1', 's2']),
        ...people(['e3'], ['s3']),
        ...people(['e4'], ['s4']),
        ...people(['e5'], ['s2']),
      ],
    });
    const { slots } = await planDay(problem, BUDGET);
    const at = (station: string) => slots.find((s) => s.station === station)?.examiner;
    expect([at('s1'), at('s2')]).toContain('e1');
    const swapped = slots.map((s) => (s.station === 's2' ? { ...s, examiner: 'e2' } : s));
    const after = await replanned(
      problem,
      swapped,
      { ...NOTHING, now: 60, examiners: ['e1'] },
      BUDGET,
    );
    expect(after.unmet).toEqual([]);
    expect(examinersOf(after.slots, 's1', 60)).toEqual(new Set(['e2']));
    expect(examinersOf(after.slots, 's2', 60)).toEqual(new Set(['e5']));
  });

  it('takes a second examiner for it rather than leave a station alone, and tells the lost pair', async () => {
    const problem = plainProblem(8, 4, 1, {
      examiners: people(['e1', 'e2', 'e3', 'e4', 'e5']),
      pairs: 20,
    });
    const { slots } = await planDay(problem, BUDGET);
    // One spare examiner in each of the eight rounds.
    expect(slots.filter(({ second }) => second !== null)).toHaveLength(8);
    const ill = slots.find(({ station }) => station === 's1')?.examiner ?? '';
    const after = await replanned(problem, slots, { ...NOTHING, now: 0, examiners: [ill] }, BUDGET);
    expect(
      after.slots.filter(({ station, examiner }) => station !== null && examiner === null),
    ).toEqual([]);
    const lost =
      slots.filter((s) => s.second !== null).length -
      after.slots.filter((s) => s.second !== null).length;
    expect(lost).toBeGreaterThan(0);
    expect(after.unmet.filter(({ rule }) => rule === 'double-marking')).toHaveLength(lost);
  });

  it('takes a latecomer through a way that is free, or through one more wave at the end', async () => {
    const problem = plainProblem(11, 4, 1);
    const { slots } = await planDay(problem, BUDGET);
    const first = slots[0]?.candidate ?? '';
    const late = (from: number) => ({ ...NOTHING, now: 0, late: [{ candidate: first, from }] });
    const free = await replanned(problem, slots, late(30), BUDGET);
    expect([free.unmet, checkPlan(problem, free.slots)]).toEqual([[], []]);
    const own = (list: readonly Slot[]) => list.filter(({ candidate }) => candidate === first);
    expect(Math.min(...own(free.slots).map(({ start }) => start))).toBeGreaterThan(30);
    const others = (list: readonly Slot[]) => list.filter(({ candidate }) => candidate !== first);
    expect(others(free.slots)).toEqual(others(slots));
    // After the last wave has begun there is a wave of their own.
    const end = Math.max(...slots.map((slot) => slot.end));
    const alone = await replanned(problem, slots, late(end - 10), BUDGET);
    expect([alone.unmet, checkPlan(problem, alone.slots)]).toEqual([[], []]);
    expect(Math.min(...own(alone.slots).map(({ start }) => start))).toBeGreaterThan(end);
    // A day that ends with its last wave has no room for that; it is told, and nothing is made up.
    const short = { ...problem, days: [{ start: 0, end }] };
    const none = await replanned(short, slots, late(end - 10), BUDGET);
    expect(none.unmet).toEqual([
      { rule: 'circuit', who: first, why: expect.stringMatching(/end later/) },
    ]);
    expect(own(none.slots)).toEqual([]);
  });

  it('lets a free patient play on for one who cannot, or tells that there is nobody', async () => {
    const stations = ['s1'];
    const patient = (id: string) => ({ id, stations, mostInARow: 9, available: null });
    const problem = plainProblem(4, 1, 1, { patients: [patient('p1'), patient('p2')] });
    const { slots } = await planDay(problem, BUDGET);
    const ill = slots.at(-1)?.patient ?? '';
    const after = await replanned(problem, slots, { ...NOTHING, now: 0, patients: [ill] }, BUDGET);
    expect(after.unmet).toEqual([]);
    expect(after.slots.every(({ patient: who }) => who !== null && who !== ill)).toBe(true);
    // Who agreed to one slot in a row plays every second one; the others have nobody.
    const weary = { ...problem, patients: [{ ...patient('p1'), mostInARow: 1 }, patient('p2')] };
    const few = await replanned(weary, slots, { ...NOTHING, now: 0, patients: ['p2'] }, BUDGET);
    expect(few.slots.filter(({ patient: who }) => who === 'p1')).toHaveLength(2);
    expect(few.unmet).toHaveLength(2);
    expect(checkPlan(weary, few.slots)).toEqual([]);
    const alone = { ...problem, patients: [patient(ill)] };
    const none = await replanned(
      alone,
      slots,
      { ...NOTHING, now: 0, patients: ['p1', 'p2'] },
      BUDGET,
    );
    expect(none.unmet).toHaveLength(4);
  });
});

describe('quarantine between sessions', () => {
  const slot = (candidate: string, day: number, start: number, end: number): Slot => ({
    candidate,
    day,
    start,
    end,
    circuit: 0,
    wave: 0,
    station: 's1',
    examiner: 'e',
    second: null,
    patient: null,
  });
  const slots = [
    slot('a', 0, 542, 600),
    slot('b', 0, 542, 720),
    slot('c', 1, 752, 900),
    slot('d', 2, 1982, 2100),
  ];
  const dates = ['Monday', 'Monday', 'Tuesday'];

  // Worked by hand: 9:00 to 12:00, 12:30 to 15:00, and the next day; 15 minutes.
  it('has a session report before the one ahead of it may leave, on the same date only', () => {
    const gathered = quarantineOf({ readingMinutes: 2 }, slots, 15, (day) => dates[day] ?? '');
    expect(gathered).toEqual([
      {
        day: 0,
        candidates: 2,
        reportBy: 525,
        heldUntil: 705,
        longestBefore: 15,
        longestAfter: 105,
      },
      { day: 1, candidates: 1, reportBy: 705, heldUntil: null, longestBefore: 45, longestAfter: 0 },
      {
        day: 2,
        candidates: 1,
        reportBy: 1965,
        heldUntil: null,
        longestBefore: 15,
        longestAfter: 0,
      },
    ]);
  });
});
