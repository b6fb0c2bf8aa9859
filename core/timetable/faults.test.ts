import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changed } from './changes.ts';
import type { PlanChange } from './changes.ts';
import { faultsIn, newFaults } from './faults.ts';
import { planDay } from './planDay.ts';
import type { PlanningProblem, Slot } from './problem.ts';
import { freeWays, wavesIn } from './routes.ts';
import { checkPlan } from './testing/checkPlan.ts';
import { anyProblem, plainProblem } from './testing/problems.ts';

const BUDGET = { seed: 7, nodes: 500, seconds: 60 };
const wordsOf = (problem: PlanningProblem, slots: readonly Slot[]) =>
  faultsIn(problem, slots).map(({ words }) => words);

describe('the faults of a plan', () => {
  // The checker of the tests knows the rules alone; what it finds hard, the product must find too.
  it('finds a hard fault exactly where the rules are broken, whatever is changed by hand', async () => {
    await fc.assert(
      fc.asyncProperty(
        anyProblem,
        fc.array(fc.nat(9999), { minLength: 8, maxLength: 8 }),
        async (problem, lots) => {
          const made = await planDay(problem, BUDGET).catch(() => null);
          if (!made) return;
          let slots: readonly Slot[] = made.slots;
          for (const lot of lots) {
            try {
              slots = changed(problem, slots, anyChange(problem, slots, lot));
            } catch (error) {
              expect(error).toBeInstanceOf(RangeError);
            }
          }
          const rules = checkPlan(problem, slots).filter(
            (what) => !/ rests \d| in two circuits/.test(what),
          );
          const hard = faultsIn(problem, slots).filter((fault) => fault.hard);
          const strained = faultsIn(problem, slots).filter(({ rule }) => rule === 'same-joint');
          expect(hard.length > 0 || strained.length > 0, JSON.stringify({ rules, hard })).toBe(
            rules.length > 0,
          );
        },
      ),
      { numRuns: 120, seed: 20270522 },
    );
  });

  it('says what is wrong, of whom, and where', async () => {
    const problem = plainProblem(4, 4, 1);
    const { slots } = await planDay(problem, BUDGET);
    expect(faultsIn(problem, slots)).toEqual([]);
    const first = slots[0] as Slot;
    const other = slots.find(
      ({ start, station }) => start === first.start && station !== first.station,
    );
    const doubled = slots.map((slot) =>
      slot === other ? { ...slot, examiner: first.examiner } : slot,
    );
    expect(wordsOf(problem, doubled)).toEqual([
      expect.stringMatching(/^e\d is at s\d \(c\d\) and at s\d \(c\d\) at the same time$/),
    ]);
    const known = {
      ...problem,
      candidates: problem.candidates.map((one) =>
        one.id === first.candidate ? { ...one, conflicts: [first.examiner ?? ''] } : one,
      ),
    };
    expect(wordsOf(known, slots)).toEqual([`${first.examiner} must not mark ${first.candidate}`]);
    const fewer = {
      ...problem,
      examiners: problem.examiners.filter(({ id }) => id !== first.examiner),
    };
    expect(new Set(wordsOf(fewer, slots))).toEqual(
      new Set([`${first.examiner} does not take part`]),
    );
    const short = slots.map((slot, i) => (i === 0 ? { ...slot, end: slot.start + 5 } : slot));
    expect(wordsOf(problem, short)).toEqual([
      `${first.candidate} has 5 of 8 minutes at ${first.station}`,
    ]);
    expect(wordsOf(problem, slots.slice(1))).toEqual([
      `${first.candidate} is missing from ${first.station}`,
    ]);
    const newcomer = { id: 'c9', extraTime: 0, conflicts: [], ability: null };
    expect(wordsOf({ ...problem, candidates: [...problem.candidates, newcomer] }, slots)).toEqual([
      'c9 is missing from the plan',
    ]);
  });

  it('tells what a change brings from what was there before', async () => {
    const problem = plainProblem(4, 4, 1);
    const { slots } = await planDay(problem, BUDGET);
    const without = slots.map((slot, i) => (i === 0 ? { ...slot, examiner: null } : slot));
    const before = faultsIn(problem, without);
    const after = faultsIn(
      problem,
      without.map((slot, i) => (i === 5 ? { ...slot, examiner: null } : slot)),
    );
    expect([before.length, after.length, newFaults(before, after).length]).toEqual([1, 2, 1]);
    expect(newFaults(after, after)).toEqual([]);
  });
});

describe('a change by hand', () => {
  const problem = plainProblem(7, 4, 2, {
    examiners: ['e1', 'e2', 'e3', 'e4', 'e5', 'e6', 'e7', 'e8', 'e9'].map((id) => ({
      id,
      stations: null,
      available: null,
    })),
  });
  const made = planDay(problem, BUDGET).then(({ slots }) => slots);
  const wayOf = (slots: readonly Slot[], who: string) =>
    slots.flatMap(({ candidate, station, start, circuit }) =>
      candidate === who ? [{ station, start, circuit }] : [],
    );

  it('lets two candidates change places', async () => {
    const slots = await made;
    const after = changed(problem, slots, { kind: 'exchange', one: 'c1', other: 'c7' });
    expect(wayOf(after, 'c1')).toEqual(wayOf(slots, 'c7'));
    expect(wayOf(after, 'c7')).toEqual(wayOf(slots, 'c1'));
    expect(faultsIn(problem, after)).toEqual([]);
    expect(checkPlan(problem, after)).toEqual([]);
  });

  it('lets a candidate go a way that is free, with the examiners who are there', async () => {
    const slots = await made;
    const free = wavesIn(slots).flatMap((wave) =>
      freeWays(slots, wave).map((way) => ({ wave, way })),
    );
    // 7 candidates in 2 circuits of 4 places: one way is free.
    expect(free).toHaveLength(1);
    const { wave, way } = free[0] ?? { wave: wavesIn(slots)[0], way: [] };
    const other = slots.find(({ circuit }) => circuit !== wave?.circuit)?.candidate ?? '';
    const to = {
      ...(wave as { day: number; circuit: number; wave: number }),
      ...way[2],
      station: way[2]?.station ?? '',
      start: way[2]?.start ?? 0,
    };
    const after = changed(problem, slots, { kind: 'move', candidate: other, to });
    expect(wayOf(after, other).map(({ circuit }) => circuit)).toEqual(
      [...way].fill({ station: null, start: 0 }).map(() => wave?.circuit),
    );
    expect(checkPlan(problem, after)).toEqual([]);
    expect(() =>
      changed(problem, after, { kind: 'move', candidate: other, to: { ...to, wave: 9 } }),
    ).toThrow(/free/);
  });

  it('lets two examiners change posts, or another take over', async () => {
    const slots = await made;
    const of = (circuit: number, station: string) =>
      slots.find((s) => s.circuit === circuit && s.station === station) as Slot;
    const [one, other] = [of(0, 's1'), of(0, 's2')];
    const post = { day: 0, circuit: 0, wave: 0, station: 's1' };
    const after = changed(problem, slots, { kind: 'examiner', post, examiner: other.examiner });
    const at = (station: string) =>
      new Set(after.filter((s) => s.circuit === 0 && s.station === station).map((s) => s.examiner));
    expect([at('s1'), at('s2')]).toEqual([new Set([other.examiner]), new Set([one.examiner])]);
    expect(faultsIn(problem, after)).toEqual([]);
    const nobody = changed(problem, slots, { kind: 'examiner', post, examiner: null });
    expect(faultsIn(problem, nobody).every(({ hard, rule }) => !hard && rule === 'examiner')).toBe(
      true,
    );
  });

  it('adds and takes away a second examiner, and refuses what the plan does not have', async () => {
    const slots = await made;
    const used = new Set(slots.map(({ examiner }) => examiner));
    const spare = problem.examiners.find(({ id }) => !used.has(id))?.id ?? '';
    const change = { kind: 'second', candidate: 'c1', station: 's3', second: spare } as const;
    const after = changed(problem, slots, change);
    expect(after.filter(({ second }) => second !== null)).toHaveLength(1);
    expect(changed(problem, after, { ...change, second: null })).toEqual(slots);
    expect(() => changed(problem, slots, { ...change, candidate: 'c99' })).toThrow(
      /does not have c99/,
    );
    expect(() => changed(problem, slots, { kind: 'exchange', one: 'c1', other: 'c99' })).toThrow(
      RangeError,
    );
  });
});

function anyChange(problem: PlanningProblem, slots: readonly Slot[], lot: number): PlanChange {
  const pick = <T>(list: readonly T[], by: number): T => list[by % list.length] as T;
  const slot = pick(slots, lot);
  const station = slot.station ?? problem.stations[0]?.id ?? '';
  const post = { day: slot.day, circuit: slot.circuit, wave: slot.wave, station };
  const examiner = pick(problem.examiners, lot >> 3).id;
  const patient = problem.patients.length > 0 ? pick(problem.patients, lot >> 2).id : null;
  const changes: PlanChange[] = [
    { kind: 'exchange', one: slot.candidate, other: pick(problem.candidates, lot >> 2).id },
    { kind: 'examiner', post, examiner },
    { kind: 'second', candidate: slot.candidate, station, second: examiner },
    { kind: 'patient', post, patient },
    {
      kind: 'move',
      candidate: pick(problem.candidates, lot >> 4).id,
      to: { ...post, start: slot.start },
    },
  ];
  return pick(changes, lot >> 1);
}
