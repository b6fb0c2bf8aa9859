import { describe, expect, it } from 'vitest';
import { alikeStations, doubledProcedures } from './alikeStations.ts';
import { blueprintCells, blueprintGaps, columnOf } from './blueprint.ts';
import type { BlueprintColumn, BlueprintStation } from './blueprint.ts';

type Item = BlueprintStation['items'][number];
const item = (domain: Item['domain'], weight: number, more: Partial<Item> = {}): Item => ({
  key: `${domain}-${weight}`,
  text: `An act of ${domain} that weighs ${weight}`,
  domain,
  weight,
  safety: false,
  ...more,
});
const station = (id: string, rows: string[], items: Item[], more = {}): BlueprintStation => ({
  id,
  title: id,
  procedures: rows.map((row) => ({ id: `${row}-procedure`, rows: [row] })),
  items,
  ...more,
});
const percentIn = (stations: BlueprintStation[], row: string, column: BlueprintColumn) =>
  blueprintCells(stations).find((cell) => cell.row === row && cell.column === column)?.percent;

const knee = station('a', ['knee'], [item('positioning', 1), item('technique', 3)]);
const hip = station('b', ['hip'], [item('technique', 1), item('interpretation', 1)]);

describe('the cells of a blueprint', () => {
  it('are filled by the weights of the items, every station alike', () => {
    expect(percentIn([knee, hip], 'knee', 'position')).toBeCloseTo(12.5, 12);
    expect(percentIn([knee, hip], 'knee', 'technique')).toBeCloseTo(37.5, 12);
    expect(percentIn([knee, hip], 'hip', 'technique')).toBeCloseTo(25, 12);
  });

  it('add up to the whole examination, whatever is shared', () => {
    const both = station(
      'c',
      ['knee', 'hip'],
      [
        item('technique', 2),
        item('technique', 1, { procedure: 'hip-procedure' }),
        item('comparison', 1, { procedure: 'elsewhere' }),
      ],
    );
    const structures = station('d', [], [item('technique', 1, { safety: true })], {
      procedures: [{ id: 'p', rows: ['acl', 'pcl', 'mcl'] }],
    });
    const cells = blueprintCells([knee, hip, both, structures]);
    expect(cells.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 10);
  });

  it('give an item to its own procedure, and what is common to all of them', () => {
    const both = station(
      'c',
      ['knee', 'hip'],
      [item('technique', 1), item('technique', 1, { procedure: 'hip-procedure' })],
    );
    expect(percentIn([both], 'knee', 'technique')).toBeCloseTo(25, 12);
    expect(percentIn([both], 'hip', 'technique')).toBeCloseTo(75, 12);
  });

  it('count safety apart, and what is prepared with the position', () => {
    expect(columnOf({ domain: 'technique', safety: true })).toBe('safety');
    expect(columnOf({ domain: 'preparation', safety: false })).toBe('position');
    expect(columnOf({ domain: 'comparison', safety: false })).toBe('comparison');
  });

  it('name the stations that fill them, and none for a station without a weight', () => {
    const empty = station('e', ['knee'], [item('technique', 0)]);
    const cells = blueprintCells([knee, empty]);
    expect(cells.find(({ column }) => column === 'technique')?.stations).toEqual(['a']);
  });
});

describe('the gaps of a blueprint', () => {
  it('are where less or more than two points beside what is wanted is examined', () => {
    const wanted = { knee: { technique: 39, position: 20 }, hip: { technique: 10, safety: 5 } };
    const { short, over } = blueprintGaps(blueprintCells([knee, hip]), wanted);
    expect(short.map(({ row, column }) => `${row} ${column}`)).toEqual([
      'knee position',
      'hip safety',
    ]);
    expect(over).toEqual([{ row: 'hip', column: 'technique', wanted: 10, percent: 25 }]);
  });
});

describe('stations beside one another', () => {
  it('double a procedure that both ask for', () => {
    const again = station('c', ['knee'], [item('technique', 1)]);
    expect(doubledProcedures([knee, hip, again])).toEqual([
      { procedure: 'knee-procedure', stations: ['a', 'c'] },
    ]);
  });

  it('are alike where half of the weight of either is asked for in the same words', () => {
    const acts = [item('technique', 1), item('technique', 2), item('interpretation', 1)];
    const one = station('one', ['knee'], acts);
    const most = station('most', ['knee'], [...acts.slice(1), item('comparison', 1)]);
    const little = station('little', ['knee'], [...acts.slice(2), item('comparison', 3)]);
    expect(alikeStations([one, most, little])).toEqual([
      { stations: ['one', 'most'], share: 0.75 },
    ]);
  });

  it('are not alike because both ask for consent', () => {
    const consent = item('preparation', 5, { text: 'Gains spoken consent' });
    const safe = item('technique', 5, { text: 'Lets go when asked to', safety: true });
    const one = station('one', ['knee'], [consent, safe, item('technique', 1)]);
    const other = station('other', ['knee'], [consent, safe, item('technique', 2)]);
    expect(alikeStations([one, other])).toEqual([]);
  });
});
