import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { lineariseKappa, noKappaNote, withPseudoPairs } from './cohenKappa.ts';
import { tableOfCells } from './crossTable.ts';
import type { CrossTable } from './crossTable.ts';
import { coefficientInterval, INTERVAL_METHOD, linearisedError } from './linearised.ts';
import type { Linearised } from './linearised.ts';
import { agreementWeights } from './weights.ts';

/** A pair of marks of two raters, or several alike, and the candidate whom they are of. */
export interface ClusteredPair {
  readonly candidate: number;
  readonly first: string | number | null;
  readonly second: string | number | null;
  /** How many such pairs there are; one unless said. */
  readonly times?: number;
}

/**
 * Cohen's kappa over pairs of marks of which several are of one candidate: all items of a station.
 *
 * The estimate is that of the pooled table. Its error takes the candidates, not the marks, as what
 * another day would draw anew: the pulls of a candidate's marks are added up before they are
 * squared (linearisation with clusters, for example Yang & Zhou 2014), with C / (C - 1) for C
 * candidates. Marks of one candidate that go together then count as little as they tell.
 * Missing: pairs with a missing mark are left out. `n` is the number of candidates.
 * Worked value: where every candidate has one pair it is `cohenKappa`, with that correction.
 */
export function clusteredKappa(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): Estimate {
  return clustered(pairs, categories, {
    method: 'Cohen 1960; error by candidates',
    linearise: (table) =>
      lineariseKappa(table, agreementWeights(table.categories.length, 'unweighted')),
    undefinedBecause:
      'Both examiners used one and the same category throughout; kappa needs marks that vary.',
    noInterval: noKappaNote,
  });
}

/** Share of pairs of marks that agree, with the same error by candidates as `clusteredKappa`. */
export function clusteredAgreement(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): Estimate {
  return clustered(pairs, categories, {
    method: 'proportion of agreement; error by candidates',
    linearise: lineariseAgreement,
    undefinedBecause: 'No candidate was marked by both examiners.',
    noInterval: ({ n }) =>
      `All candidates show the same share of agreement in ${n} pairs of marks, so there is no error to build an interval on.`,
  });
}

function lineariseAgreement({ counts, n }: CrossTable): Linearised {
  const agreed = counts.reduce((sum, cells, i) => sum + (cells[i] ?? 0), 0) / n;
  return {
    estimate: agreed,
    pulls: counts.flatMap((cells, i) => cells.map((_, j) => (i === j ? 1 : 0) - agreed)),
    times: counts.flat(),
    lowest: 0,
  };
}

interface Statistic {
  readonly method: string;
  readonly linearise: (table: CrossTable) => Linearised | null;
  readonly undefinedBecause: string;
  readonly noInterval: (table: CrossTable) => string;
}

function clustered(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
  { method, linearise, undefinedBecause, noInterval }: Statistic,
): Estimate {
  const named = `${method}; ${INTERVAL_METHOD}`;
  const complete = pairs.filter(({ first, second }) => first !== null && second !== null);
  const table = tableOf(complete, categories);
  const cells = cellsByCandidate(complete, categories);
  const n = cells.length;
  if (n === 0) return undefinedEstimate(named, 0, 'No candidate was marked by both examiners.');
  const own = linearise(table);
  if (own === null) return undefinedEstimate(named, n, undefinedBecause);
  const larger = withPseudoPairs(table);
  const whole = byCandidate(own, cells, table.n);
  const smoothed = byCandidate(linearise(larger) ?? own, cells, table.n);
  const pseudo = larger.counts.flat().map((count, at) => count - (table.counts.flat()[at] ?? 0));
  const interval = coefficientInterval(
    whole,
    withPseudoCandidates(smoothed, linearise(larger) ?? own, pseudo, table.n / n),
    table.n,
  );
  return {
    estimate: own.estimate,
    ...interval,
    standardError: n > 1 ? linearisedError(whole) : null,
    method: named,
    n,
    notes: interval.lower === null ? [noInterval(table)] : [],
  };
}

/** The table of the pairs, a missing mark counted apart. */
export function tableOf(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): CrossTable {
  return tableOfCells(
    pairs.map(({ first, second, times = 1 }) => ({ first, second, times })),
    categories,
  );
}

/** A cell of the table, by rows, and how many pairs of a candidate stand in it. */
type OwnCell = readonly [at: number, times: number];

/** For every candidate, the cells of the table in which its pairs stand. */
function cellsByCandidate(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): OwnCell[][] {
  const place = new Map(categories.map((category, k) => [String(category), k]));
  const cells = new Map<number, OwnCell[]>();
  for (const { candidate, first, second, times = 1 } of pairs) {
    const [row, column] = [place.get(String(first)), place.get(String(second))];
    const cell = [(row ?? 0) * categories.length + (column ?? 0), times] as const;
    const own = cells.get(candidate);
    if (own) own.push(cell);
    else cells.set(candidate, [cell]);
  }
  return [...cells.values()];
}

/** The pulls of the candidates: those of their marks added up, on the scale of one candidate. */
function byCandidate(
  { estimate, pulls, lowest }: Linearised,
  cells: readonly (readonly OwnCell[])[],
  marks: number,
): Linearised {
  const n = cells.length;
  const scale = (n / marks) * Math.sqrt(n / Math.max(1, n - 1));
  return {
    estimate,
    pulls: cells.map(
      (own) => scale * own.reduce((sum, [at, times]) => sum + times * (pulls[at] as number), 0),
    ),
    times: cells.map(() => 1),
    lowest,
  };
}

/**
 * The same with two candidates more, each with the usual number of marks, which are pseudo-pairs
 * independent of each other: their pulls add up like the root of their number.
 */
function withPseudoCandidates(
  candidates: Linearised,
  smoothed: Linearised,
  pseudo: readonly number[],
  marksEach: number,
): Linearised {
  return {
    ...candidates,
    pulls: [
      ...Array.from(candidates.pulls),
      ...Array.from(smoothed.pulls, (pull) => pull / Math.sqrt(marksEach)),
    ],
    times: [...Array.from(candidates.times), ...pseudo],
  };
}
