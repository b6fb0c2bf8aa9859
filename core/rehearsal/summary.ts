import { mean, standardDeviation } from '../numerics/summary.ts';
import type { Measured } from './precision.ts';
import type { Rehearsal } from './rehearse.ts';

/** How a figure spreads over rehearsals: nine in ten lie from `low` to `high`. */
export interface Spread {
  readonly mean: number;
  readonly sd: number | null;
  readonly low: number;
  readonly high: number;
  /** Rehearsals in which there is such a figure. */
  readonly n: number;
}

export interface Coefficient {
  readonly estimate: Spread;
  /** Half of the interval that will be shown, on average. */
  readonly halfWidth: number | null;
}

/** What rehearsals of one plan came to. */
export interface RehearsalSummary {
  readonly rehearsals: number;
  readonly kappa: Coefficient | null;
  readonly icc: Coefficient | null;
  /** Its standard deviation is the standard error of the cut. */
  readonly cut: Spread | null;
  /** The standard error that the method will say, on average. */
  readonly cutError: number | null;
  readonly passed: Spread;
  readonly borderline: Spread;
  /** Of all borderline candidates of all rehearsals. */
  readonly byExaminer: number | null;
  readonly byCircuit: number | null;
  readonly stations: readonly (Spread | null)[];
  readonly dependability: Spread | null;
  readonly sem: Spread | null;
  /** The dependability that a station more would add. */
  readonly oneMore: Spread | null;
}

export function summarise(rehearsals: readonly Rehearsal[]): RehearsalSummary {
  const each = (of: (one: Rehearsal) => number | null | undefined) =>
    spreadOf(rehearsals.flatMap((one) => of(one) ?? []));
  const passed = each(({ passed }) => passed);
  const borderline = each((one) => one.borderline);
  if (!passed || !borderline) throw new RangeError('There is no rehearsal to sum up.');
  const all = rehearsals.reduce((sum, one) => sum + one.borderline, 0);
  const share = (of: (one: Rehearsal) => number | null) =>
    all === 0 || rehearsals.every((one) => of(one) === null)
      ? null
      : rehearsals.reduce((sum, one) => sum + (of(one) ?? 0), 0) / all;
  const stations = rehearsals[0]?.carries.length ?? 0;
  return {
    rehearsals: rehearsals.length,
    kappa: coefficient(rehearsals.flatMap(({ kappa }) => kappa ?? [])),
    icc: coefficient(rehearsals.flatMap(({ icc }) => icc ?? [])),
    cut: each(({ cut }) => cut),
    cutError: mean(rehearsals.flatMap(({ cutError }) => cutError ?? [])),
    passed,
    borderline,
    byExaminer: share((one) => one.byExaminer),
    byCircuit: share((one) => one.byCircuit),
    stations: Array.from({ length: stations }, (_, s) => each(({ carries }) => carries[s])),
    dependability: each(({ trust }) => trust?.dependability),
    sem: each(({ trust }) => trust?.sem),
    oneMore: each(({ trust }) =>
      trust === null || trust.dependability === null || trust.withOneMore === null
        ? null
        : trust.withOneMore - trust.dependability,
    ),
  };
}

function coefficient(list: readonly Measured[]): Coefficient | null {
  const estimate = spreadOf(list.map((own) => own.estimate));
  return (
    estimate && { estimate, halfWidth: mean(list.flatMap(({ halfWidth }) => halfWidth ?? [])) }
  );
}

function spreadOf(values: readonly number[]): Spread | null {
  const middle = mean(values);
  if (middle === null) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] as number;
  return {
    mean: middle,
    sd: standardDeviation(values),
    low: at(0.05),
    high: at(0.95),
    n: values.length,
  };
}
