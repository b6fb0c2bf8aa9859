import { describe, expect, it } from 'vitest';
import { handOversIn } from './handOvers.ts';
import { planDay } from './planDay.ts';
import { plainProblem } from './testing/problems.ts';

describe('the changes of examiner', () => {
  it('are those between the morning’s examiner and the afternoon’s, with the time between', async () => {
    // Two waves of 4 rounds of 11 minutes: the second begins its first bell at 4 * 11 + 2 = 46.
    const problem = plainProblem(8, 4, 1, {
      examiners: [
        ...['e1', 'e2', 'e3'].map((id) => ({ id, stations: null, available: null })),
        { id: 'early', stations: ['s1'], available: [{ start: 0, end: 45 }] },
        { id: 'late', stations: ['s1'], available: [{ start: 45, end: 200 }] },
      ],
    });
    const { slots } = await planDay(problem, { seed: 7, nodes: 500, seconds: 60 });
    const found = handOversIn(problem, slots);
    expect(found).toEqual([
      {
        day: 0,
        circuit: 0,
        station: 's1',
        from: 'early',
        to: 'late',
        at: 46,
        minutes: 3,
        isRelief: false,
      },
    ]);
    const relieved = slots.map((slot) =>
      slot.station === 's2' && slot.start === 13 ? { ...slot, examiner: 'late' } : slot,
    );
    expect(handOversIn(problem, relieved).map(({ to, isRelief }) => [to, isRelief])).toContainEqual(
      ['late', true],
    );
  });
});
