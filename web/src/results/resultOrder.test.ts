import type { CandidateResult } from '@kritikos/contracts/results';
import { describe, expect, it } from 'vitest';
import { inOrderOf } from './resultOrder.ts';
import type { ResultColumn } from './resultOrder.ts';

const result = (number: number, part: Partial<CandidateResult>): CandidateResult => ({
  ...{ candidateId: `c${number}`, number, studentNumber: `S-${number}`, name: 'Nobody' },
  ...{ stations: [], safety: null, safetyEvents: { all: 0, laid: 0, open: 0 } },
  domains: {} as CandidateResult['domains'],
  ...{ mean: null, outcome: null, reasons: [] },
  ...part,
});
const station = (percent: number | null): CandidateResult['stations'][number] => ({
  ...{ stationId: 's', percent, outcome: null, criticalMissed: [], criticalUnseen: [] },
});
const ALL = [
  result(10, { name: 'Zoe', mean: 60, outcome: 'pass', stations: [station(9), station(null)] }),
  result(9, { name: 'ana', mean: 70, outcome: 'fail', stations: [station(80), station(1)] }),
  result(8, { name: 'Ben', outcome: null, reasons: ['Too few.'] }),
  result(7, { name: 'Ána', mean: 60, outcome: 'pass', stations: [station(70), station(2)] }),
];
const order = (column: ResultColumn, downwards = false) =>
  inOrderOf(ALL, column, downwards).map(({ number }) => number);

describe('results by a column', () => {
  it('are in its order, whatever it holds', () => {
    expect(order('number')).toEqual([7, 8, 9, 10]);
    expect(order('name')).toEqual([7, 9, 8, 10]);
    expect(order('outcome')).toEqual([9, 7, 10, 8]);
    expect(order('why')).toEqual([8, 7, 9, 10]);
  });

  it('have who says nothing last in both directions, and the same in the order of numbers', () => {
    expect(order('mean')).toEqual([7, 10, 9, 8]);
    expect(order('mean', true)).toEqual([9, 7, 10, 8]);
    expect(order('safety', true)).toEqual([7, 8, 9, 10]);
  });

  it('compare stations as numbers, each by its place', () => {
    expect(order('station 0')).toEqual([10, 7, 9, 8]);
    expect(order('station 0', true)).toEqual([9, 7, 10, 8]);
    expect(order('station 1')).toEqual([9, 7, 8, 10]);
    expect(order('technique')).toEqual([7, 8, 9, 10]);
  });
});
