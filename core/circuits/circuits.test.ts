import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planDoubleMarking } from './doubleMarking.ts';
import { planTimetable, whoIsAt } from './timetable.ts';
import type { CircuitCandidate, CircuitPlan } from './timetable.ts';

const PLAN: CircuitPlan = {
  stations: 10,
  restStations: 2,
  circuits: 2,
  readingMinutes: 2,
  stationMinutes: 8,
  changeoverMinutes: 1,
  slotsBetweenBreaks: 0,
  breakMinutes: 0,
};
const people = (n: number, more: Partial<CircuitCandidate> = {}): CircuitCandidate[] =>
  Array.from({ length: n }, (_, i) => ({
    number: i + 1,
    extraTime: 0,
    notInCircuits: [],
    ...more,
  }));

describe('the timetable', () => {
  it('takes 24 candidates through 10 stations and 2 rests in one wave of 131 minutes', () => {
    const day = planTimetable(PLAN, people(24));
    expect(day.waves).toHaveLength(1);
    expect(day.length).toBe(131);
    expect(day.lowerBound).toBe(131);
    expect(day.unplaced).toEqual([]);
  });

  it('brings everybody to every position exactly once, and never two to one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        (n, stations, restStations, circuits) => {
          const day = planTimetable({ ...PLAN, stations, restStations, circuits }, people(n));
          const seen = new Map<number, Set<number>>();
          for (const wave of day.waves) {
            for (const [circuit, own] of wave.positions.entries()) {
              for (const slot of wave.slots.keys()) {
                const there = own
                  .map((_, position) => whoIsAt(wave, circuit, position, slot))
                  .filter((x) => x !== null);
                expect(new Set(there).size).toBe(there.length);
                for (const position of own.keys()) {
                  const who = whoIsAt(wave, circuit, position, slot);
                  if (who === null) continue;
                  const positions = seen.get(who) ?? new Set();
                  expect(positions.has(position)).toBe(false);
                  seen.set(who, positions.add(position));
                }
              }
            }
          }
          expect(seen.size).toBe(n);
          for (const positions of seen.values())
            expect(positions.size).toBe(stations + restStations);
          expect(day.length).toBeGreaterThanOrEqual(day.lowerBound - 1e-9);
        },
      ),
    );
  });

  it('rests examiners, and lets nothing overlap', () => {
    const day = planTimetable({ ...PLAN, slotsBetweenBreaks: 4, breakMinutes: 15 }, people(24));
    const slots = day.waves.flatMap((wave) => wave.slots);
    expect((slots[4]?.start ?? 0) - (slots[3]?.end ?? 0)).toBe(16);
    for (const [i, slot] of slots.slice(1).entries())
      expect(slot.start).toBeGreaterThanOrEqual((slots[i]?.end ?? 0) + 1);
  });

  it('puts candidates with extra time in waves of their own, with longer slots', () => {
    const some = people(14).map((c) => (c.number <= 3 ? { ...c, extraTime: 0.25 } : c));
    const day = planTimetable({ ...PLAN, circuits: 1 }, some);
    const long = day.waves.filter((wave) => wave.extraTime > 0);
    expect(long).toHaveLength(1);
    expect(long[0]?.positions.flat().filter((x) => x !== null)).toEqual([1, 2, 3]);
    expect((long[0]?.slots[0]?.end ?? 0) - (long[0]?.slots[0]?.start ?? 0)).toBeCloseTo(12.5, 10);
  });

  it('keeps candidates away from examiners whom they know, or says that it cannot', () => {
    const some = people(4).map((c) => ({
      ...c,
      notInCircuits: c.number === 1 ? [0] : c.number === 2 ? [0, 1] : [],
    }));
    const day = planTimetable(PLAN, some);
    expect(day.waves[0]?.positions[1]).toContain(1);
    expect(day.unplaced).toEqual([{ candidate: 2, reason: expect.stringMatching(/conflict/) }]);
  });

  it('refuses a plan without a station, and needs no time for nobody', () => {
    expect(() => planTimetable({ ...PLAN, stations: 0 }, people(3))).toThrow(/0 stations/);
    expect(planTimetable(PLAN, [])).toMatchObject({ waves: [], length: 0, lowerBound: 0 });
  });
});

describe('double marking', () => {
  const circuits = [people(12), people(12)].map((own, c) =>
    own.map(({ number }) => number + 12 * c),
  );
  const stations = [
    { station: 1, circuit: 0, examiner: 1 },
    { station: 1, circuit: 1, examiner: 2 },
  ];

  it('connects both circuits through one second examiner: 8 pairs of 24 sheets', () => {
    const plan = planDoubleMarking(circuits, stations, [9], 1 / 3);
    expect(plan.pairs).toHaveLength(8);
    expect(plan.share).toBeCloseTo(1 / 3, 10);
    expect(plan.connectedSets).toBe(1);
    expect(new Set(plan.pairs.map((p) => p.candidate)).size).toBe(8);
  });

  it('says that the examiners fall apart where nobody is watched twice', () => {
    const plan = planDoubleMarking(circuits, stations, [9], 0);
    expect(plan.connectedSets).toBe(2);
    expect(plan.notes[0]).toMatch(/fall apart into 2 groups/);
  });

  it('respects conflicts, and never lets an examiner be second to themselves', () => {
    const all = new Set(circuits.flat().map((candidate) => `9:${candidate}`));
    const plan = planDoubleMarking(circuits, stations, [9], 1 / 3, all);
    expect(plan.pairs).toEqual([]);
    expect(plan.notes[0]).toMatch(/8 pairs were left out/);
    expect(
      planDoubleMarking(circuits, stations, [1, 2], 0.5).pairs.every((p) => p.first !== p.second),
    ).toBe(true);
    expect(() => planDoubleMarking(circuits, stations, [9], 2)).toThrow(/between 0 and 1/);
  });

  it('refuses extra time that takes time away, and says what uneven numbers cost', () => {
    const plan = {
      stations: 10,
      restStations: 0,
      circuits: 1,
      readingMinutes: 1,
      stationMinutes: 7,
      changeoverMinutes: 1,
      slotsBetweenBreaks: 0,
      breakMinutes: 0,
    };
    const people = (n: number, extraTime = 0) =>
      Array.from({ length: n }, (_, i) => ({ number: i + 1, extraTime, notInCircuits: [] }));
    expect(() => planTimetable(plan, people(3, -2))).toThrow(
      /share of the slot from 0 to 2, not -2/,
    );
    const even = planTimetable(plan, people(20));
    expect(even.notes).toEqual([]);
    const odd = planTimetable(plan, people(25));
    expect(odd.length).toBeGreaterThan(odd.lowerBound);
    expect(odd.notes[0]).toMatch(/minutes longer than the lower bound.*wave 3 has 5 of 10 places/);
  });
});
