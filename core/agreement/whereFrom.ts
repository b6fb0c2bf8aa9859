import { groupBy } from '../numerics/groupBy.ts';
import { crossTable } from './crossTable.ts';
import { disputeKind } from './disputeKind.ts';
import type { DisputeKind } from './disputeKind.ts';
import { describePooled } from './sheetAgreement.ts';
import type { Coefficients } from './sheetAgreement.ts';

/** What a pair of marks can be sorted by to find where disagreement comes from. */
export const FACETS = [
  'item',
  'domain',
  'observability',
  'station',
  'examiners',
  'variant',
] as const;
export type Facet = (typeof FACETS)[number];

/**
 * One item of one performance as two examiners put it, each in its place from the lowest category
 * upwards: for marks none, half or full (0, .5, 1); for declared results under, right or over
 * (-1, 0, 1), because their own categories differ from item to item. `null` where one is missing.
 */
export interface ComparedMark extends Readonly<Record<Facet, string>> {
  /** What was done and what was declared are two things, and never share a table. */
  readonly what: 'mark' | 'declared';
  /** Whose mark it is: the marks of one candidate are not independent. */
  readonly candidate: number;
  readonly first: number | null;
  readonly second: number | null;
  /** Weight of the item in the score. */
  readonly weight: number;
}

export interface Source extends Coefficients {
  readonly name: string;
}

const PLACES = { mark: [0, 0.5, 1], declared: [-1, 0, 1] } as const;

/**
 * The same coefficients for every value of a facet: per domain, per pair of examiners, and so on,
 * in the order in which the values occur.
 */
export function agreementBy(
  marks: readonly ComparedMark[],
  facet: Facet,
  what: ComparedMark['what'] = 'mark',
): Source[] {
  const groups = groupBy(
    marks.filter((mark) => mark.what === what),
    (mark) => mark[facet],
  );
  return [...groups].map(([name, own]) => ({
    name,
    ...describePooled(own, PLACES[what]),
  }));
}

export interface Contribution {
  readonly item: string;
  readonly pairs: number;
  readonly disagreements: number;
  /** Share of all weight on which examiners differed, in [0, 1]; the shares sum to 1. */
  readonly share: number;
  /** Shares of this item and of all before it. */
  readonly cumulative: number;
  readonly dispute: DisputeKind;
}

/**
 * Items by how much of the disagreement they make: the sum of `weight * |first - second|` of an
 * item over that of all items, the largest first. Where nobody disagrees the shares are 0.
 * Worked value: item a, weight 2, differs once by 1; item b, weight 1, twice by .5: 2/3 and 1/3.
 */
export function rankDisagreement(marks: readonly ComparedMark[]): Contribution[] {
  const groups = groupBy(marks, (mark) => mark.item);
  const weighed = [...groups].map(([item, own]) => {
    const complete = own.filter((m) => m.first !== null && m.second !== null);
    const distance = (m: ComparedMark) => Math.abs((m.first as number) - (m.second as number));
    return {
      item,
      pairs: complete.length,
      disagreements: complete.filter((m) => distance(m) > 0).length,
      amount: complete.reduce((sum, m) => sum + m.weight * distance(m), 0),
      dispute: disputeKind(crossTable<number>(pairsOf(own), PLACES[own[0]?.what ?? 'mark'])),
    };
  });
  const total = weighed.reduce((sum, { amount }) => sum + amount, 0);
  let cumulative = 0;
  return weighed
    .sort((a, b) => b.amount - a.amount)
    .map(({ item, pairs, disagreements, amount, dispute }) => {
      const share = total === 0 ? 0 : amount / total;
      cumulative += share;
      return { item, pairs, disagreements, share, cumulative, dispute };
    });
}

function pairsOf(marks: readonly ComparedMark[]) {
  return marks.map(({ first, second }) => [first, second] as const);
}
