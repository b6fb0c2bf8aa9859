import { planDay } from '@kritikos/core/timetable/planDay';
import { plainProblem } from '@kritikos/core/timetable/testing/problems';
import { describe, expect, it } from 'vitest';
import { gridsOf } from './boardGrid.ts';
import type { Cell, Place, Stint } from './boardGrid.ts';
import { clockOf, sayMinutes } from './clock.ts';
import { dropOn, stepFrom } from './dropOn.ts';

// 7 candidates in 2 circuits of 4 couches: one way is free.
const problem = plainProblem(7, 4, 2);
const { slots } = await planDay(problem, { seed: 7, nodes: 500, seconds: 60 });
const stations = problem.stations.map(({ id }) => id);
const grids = gridsOf(
  slots,
  [{ hard: true, rule: 'time', slot: 0, words: 'too short' }],
  stations,
  0,
);
const places: Place[] = grids.flatMap(({ cells, stints }) => [...stints, ...cells]);
const cellOf = (candidate: string, station: string) =>
  places.find(
    (one): one is Cell =>
      one.kind === 'cell' && one.slot?.candidate === candidate && one.station === station,
  ) as Cell;
const stintOf = (circuit: number, station: string) =>
  places.find(
    (one): one is Stint =>
      one.kind === 'stint' && one.circuit === circuit && one.station === station,
  ) as Stint;

describe('the board', () => {
  it('has a place for every couch at every round, and lays each candidate there once', () => {
    expect(
      grids.map(({ rounds, cells, stints }) => [rounds.length, cells.length, stints.length]),
    ).toEqual([
      [4, 16, 4],
      [4, 16, 4],
    ]);
    const cells = grids.flatMap((grid) => grid.cells);
    expect(cells.filter(({ slot }) => slot === null)).toHaveLength(4);
    expect(new Set(cells.flatMap(({ slot }) => slot ?? [])).size).toBe(slots.length);
    expect(cells.filter(({ faults }) => faults.length > 0).map(({ slot }) => slot)).toEqual([
      slots[0],
    ]);
  });

  it('knows what it means to let one thing go on another', () => {
    const [one, other] = [cellOf('c1', 's1'), cellOf('c2', 's3')];
    expect(dropOn(one, other)).toEqual({ kind: 'exchange', one: 'c1', other: 'c2' });
    expect(dropOn(one, cellOf('c1', 's2'))).toBeNull();
    expect(dropOn(one, one)).toBeNull();
    const free = places.find(
      (place): place is Cell => place.kind === 'cell' && place.slot === null,
    ) as Cell;
    expect(dropOn(one, free)).toMatchObject({
      kind: 'move',
      candidate: 'c1',
      to: { station: free.station, start: free.start },
    });
    expect(dropOn(free, one)).toBeNull();
    const [mine, theirs] = [stintOf(0, 's1'), stintOf(1, 's4')];
    expect(dropOn(mine, theirs)).toEqual({
      kind: 'examiner',
      post: { day: 0, circuit: 1, wave: 0, station: 's4' },
      examiner: mine.examiners[0],
    });
    expect(dropOn(mine, one)).toBeNull();
  });

  it('is walked with the arrow keys, from circuit to circuit', () => {
    const start = grids[0]?.cells[0] as Cell;
    const right = stepFrom(places, start, 'ArrowRight');
    expect([right.row, right.column]).toEqual([0, 1]);
    expect(stepFrom(places, start, 'ArrowLeft')).toBe(start);
    const down = ['s2', 's3', 's4'].reduce(
      (now: Place) => stepFrom(places, now, 'ArrowDown'),
      start,
    );
    expect([down.circuit, down.row]).toEqual([0, 3]);
    const over = stepFrom(places, down, 'ArrowDown');
    expect([over.circuit, over.row, over.kind]).toEqual([1, 0, 'cell']);
    expect(stepFrom(places, over, 'ArrowUp')).toBe(down);
  });
});

describe('times on the board', () => {
  it('are those on the wall of the house', () => {
    const may = Date.parse('2027-05-21T07:32:00Z') / 60_000;
    expect(clockOf('Europe/Lisbon').at(may)).toBe('08:32');
    expect(clockOf('Europe/Lisbon').dateOf(may)).toBe('Friday 21 May');
    expect([sayMinutes(45), sayMinutes(60), sayMinutes(129.6)]).toEqual([
      '45 min',
      '1 h 00',
      '2 h 10',
    ]);
  });
});
