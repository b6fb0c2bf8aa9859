import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { connectionOf } from './links.ts';
import type { Slot } from './problem.ts';

const slot = (candidate: string, examiner: string, second: string | null = null): Slot => ({
  candidate,
  examiner,
  second,
  day: 0,
  circuit: 0,
  wave: 0,
  station: 's',
  patient: null,
  start: 0,
  end: 8,
});

describe('the connection of examiners', () => {
  // Two circuits whose examiners see nobody in common but for one candidate: worked out by hand.
  const circuits = [
    ...['c1', 'c2'].flatMap((c) => [slot(c, 'anna'), slot(c, 'bert')]),
    ...['c3', 'c4'].flatMap((c) => [slot(c, 'carl'), slot(c, 'dora')]),
  ];

  it('falls into two groups where the circuits share nobody', () => {
    const { groups, links, bridges } = connectionOf(circuits);
    expect(groups).toEqual([
      ['anna', 'bert'],
      ['carl', 'dora'],
    ]);
    expect(links.map(({ candidates }) => candidates)).toEqual([2, 2]);
    expect(bridges).toHaveLength(2);
  });

  it('hangs by one pair where one sheet is marked across, and names that pair', () => {
    const { groups, bridges } = connectionOf([...circuits, slot('c5', 'bert', 'carl')]);
    expect(groups).toHaveLength(1);
    expect(bridges).toContainEqual({ examiners: ['bert', 'carl'], candidates: 1 });
  });

  it('has no bridge where everybody marks everybody', () => {
    const all = ['c1', 'c2'].flatMap((c) => ['anna', 'bert', 'carl'].map((e) => slot(c, e)));
    expect(connectionOf(all)).toMatchObject({ groups: [['anna', 'bert', 'carl']], bridges: [] });
  });

  it('calls a link a bridge just where taking it out leaves one group more', () => {
    const pairs = fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 12 });
    fc.assert(
      fc.property(pairs, (drawn) => {
        // A candidate of their own for every pair, so that a link is one candidate's.
        const slots = drawn.flatMap(([a, b], i) =>
          a === b ? [] : [slot(`c${i}`, `e${a}`, `e${b}`)],
        );
        const whole = connectionOf(slots);
        for (const link of whole.links) {
          const [one, other] = link.examiners;
          const without = slots.filter(
            ({ examiner, second }) => [examiner, second].sort().join() !== [one, other].join(),
          );
          const alone = [slot('x', one), slot('y', other)];
          const more = connectionOf([...without, ...alone]).groups.length > whole.groups.length;
          expect(whole.bridges.includes(link)).toBe(more);
        }
      }),
      { numRuns: 200, seed: 7 },
    );
  });
});
