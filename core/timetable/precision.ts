import {
  candidatesForIntraclass,
  candidatesForKappa,
  intraclassHalfWidth,
  kappaHalfWidth,
} from '../agreement/sampleSize.ts';
import { cohenKappa } from '../agreement/cohenKappa.ts';
import { crossTable } from '../agreement/crossTable.ts';
import { seededChance } from '../numerics/random.ts';
import { examinerEffects } from '../reliability/examinerEffects.ts';
import type { ExaminedScore } from '../reliability/examinerEffects.ts';
import type { PlanningProblem, Slot } from './problem.ts';
import { withPairs } from './seconds.ts';

/** How sure one wants to be afterwards of how far examiners agree: half of the interval, 95 %. */
export type PrecisionWish =
  | {
      readonly of: 'kappa';
      readonly expected: number;
      /** The share of candidates who get the mark. */
      readonly prevalence: number;
      readonly halfWidth: number;
      readonly each: Scope;
    }
  | {
      readonly of: 'intraclass';
      readonly expected: number;
      readonly halfWidth: number;
      readonly each: Scope;
    };
/** Of every station by itself, or of all of them together. */
export type Scope = 'station' | 'examination';

/** How many sheets have to be marked twice for it. */
export interface Pairs {
  /** In all. */
  readonly needed: number;
  /** What the hours and the candidates allow of that. */
  readonly pairs: number;
  /** The half-width that `pairs` gives; `null` where they are too few for the formula. */
  readonly halfWidth: number | null;
  /** What keeps it from being as wished, if anything does. */
  readonly limit: 'hours' | 'candidates' | null;
}

/**
 * How many sheets are to be marked twice, spread evenly over the stations where each is to be sure
 * by itself, and never more than candidates and hours of second examiners allow.
 *
 * Source: Donner & Eliasziw 1992, Bonett 2002, see `candidatesForKappa`.
 * Throws `RangeError` for an expectation outside (0, 1) or a half-width that is not above 0.
 */
export function pairsFor(
  wish: PrecisionWish,
  { stations, candidates }: { readonly stations: number; readonly candidates: number },
  hours: { readonly second: number; readonly roundMinutes: number } | null,
): Pairs {
  const each =
    wish.of === 'kappa'
      ? candidatesForKappa(wish.expected, wish.prevalence, wish.halfWidth)
      : candidatesForIntraclass(wish.expected, 2, wish.halfWidth);
  const parts = wish.each === 'station' ? stations : 1;
  const needed = each * parts;
  const most = wish.each === 'station' ? candidates * parts : candidates * stations;
  const payable = hours === null ? Infinity : Math.floor((hours.second * 60) / hours.roundMinutes);
  const pairs = Math.min(needed, most, payable);
  return {
    needed,
    pairs,
    halfWidth: halfWidthOf(wish, Math.floor(pairs / parts)),
    limit: pairs === needed ? null : payable < most ? 'hours' : 'candidates',
  };
}

function halfWidthOf(wish: PrecisionWish, candidates: number): number | null {
  if (candidates < 1) return null;
  return wish.of === 'kappa'
    ? kappaHalfWidth(wish.expected, wish.prevalence, candidates)
    : intraclassHalfWidth(wish.expected, candidates);
}

/**
 * The half-width that the product will show for a kappa of so many candidates, on average over
 * simulated examinations: its interval is not the formula's, and small numbers show it. `shown` is
 * the share of the simulations in which there is an interval at all.
 *
 * Model: a candidate earns the mark in truth or by chance as Bloch & Kraemer 1989 have it, so that
 * both examiners agree with probability 1 - 2 P (1 - P)(1 - kappa).
 */
export function simulatedKappa(
  { expected, prevalence }: { readonly expected: number; readonly prevalence: number },
  candidates: number,
  simulations: number,
  seed: number,
): { readonly halfWidth: number | null; readonly shown: number } {
  const chance = seededChance(seed);
  const both = prevalence ** 2 + expected * prevalence * (1 - prevalence);
  const one = 2 * prevalence * (1 - prevalence) * (1 - expected);
  const widths: number[] = [];
  for (let i = 0; i < simulations; i++) {
    const pairs = Array.from({ length: candidates }, (): [number, number] => {
      const lot = chance.uniform();
      if (lot < both) return [1, 1];
      if (lot < both + one) return chance.uniform() < 0.5 ? [1, 0] : [0, 1];
      return [0, 0];
    });
    const { lower, upper } = cohenKappa(crossTable(pairs, [0, 1]));
    if (lower !== null && upper !== null) widths.push((upper - lower) / 2);
  }
  const sum = widths.reduce((total, width) => total + width, 0);
  return {
    halfWidth: widths.length === 0 ? null : sum / widths.length,
    shown: widths.length / simulations,
  };
}

/** How far scores are supposed to spread, as standard deviations in percent points of a sheet. */
export interface Spreads {
  readonly candidates: number;
  readonly stations: number;
  /** Of a candidate from station to station. */
  readonly performance: number;
  readonly examiners: number;
  readonly rest: number;
}

/** What sheets of such examinations usually spread by; common practice, no source. */
export const USUAL_SPREADS: Spreads = {
  candidates: 7,
  stations: 6,
  performance: 8,
  examiners: 4,
  rest: 4,
};

/** Who marks whom where; `null` for a rest, or where nobody marks beside the examiner. */
export type MarkedSlot = Pick<Slot, 'station' | 'candidate' | 'examiner' | 'second'>;

/**
 * The half-width of the interval that the product will show for an examiner's severity under a plan,
 * in percent points, the mean of simulated examinations: who meets whom decides it, so that no
 * formula tells. `null` where fewer than two examiners mark.
 */
export function simulatedSeverity(
  slots: readonly MarkedSlot[],
  spreads: Spreads,
  simulations: number,
  seed: number,
  progress: (share: number) => void = () => undefined,
): { readonly halfWidth: number | null; readonly worst: number | null } {
  const chance = seededChance(seed);
  const sheets = slots.flatMap(({ station, candidate, examiner, second }) =>
    station === null
      ? []
      : [examiner, second].flatMap((who) =>
          who === null ? [] : [{ station, candidate, examiner: who }],
        ),
  );
  const [candidates, stations] = [
    placesOf(sheets.map((s) => s.candidate)),
    placesOf(sheets.map((s) => s.station)),
  ];
  const widths = new Map<string, number[]>();
  for (let i = 0; i < simulations; i++) {
    const drawn = (sd: number) => {
      const known = new Map<string, number>();
      return (name: string) => {
        const value = known.get(name) ?? sd * chance.normal();
        known.set(name, value);
        return value;
      };
    };
    const [ability, difficulty, performance, severity] = [
      drawn(spreads.candidates),
      drawn(spreads.stations),
      drawn(spreads.performance),
      drawn(spreads.examiners),
    ];
    const scores = sheets.map(({ station, candidate, examiner }): ExaminedScore => ({
      candidate: candidates.get(candidate) ?? 0,
      station: stations.get(station) ?? 0,
      examiner,
      percent:
        65 +
        ability(candidate) -
        difficulty(station) +
        performance(`${candidate} ${station}`) -
        severity(examiner) +
        spreads.rest * chance.normal(),
    }));
    for (const { examiner, lower, upper } of examinerEffects(scores).examiners) {
      if (lower === null || upper === null) continue;
      widths.set(examiner, [...(widths.get(examiner) ?? []), (upper - lower) / 2]);
    }
    progress((i + 1) / simulations);
  }
  const means = [...widths.values()].map(mean);
  return means.length === 0
    ? { halfWidth: null, worst: null }
    : { halfWidth: mean(means), worst: Math.max(...means) };
}

/** The pairs that give severities a wished half-width under a plan; both `null` where none can. */
export interface PairsForSeverity {
  readonly pairs: number | null;
  readonly halfWidth: number | null;
  /** As many as the plan's examiners can do, and what that gives. */
  readonly most: { readonly pairs: number; readonly halfWidth: number | null };
  /** With nobody marked twice. */
  readonly none: number | null;
}

/** Halvings of the number of pairs: an answer to about a hundredth of what is possible. */
const HALVINGS = 6;

/**
 * How many sheets of a plan are to be marked twice for a severity to be known to within a wished
 * half-width, in percent points. There is no formula for it: who meets whom decides, so the plan's
 * own day is simulated with more and fewer second examiners, by the same seed, and halved between.
 */
export function pairsForSeverity(
  problem: PlanningProblem,
  slots: readonly Slot[],
  halfWidth: number,
  {
    spreads,
    simulations,
    seed,
  }: { readonly spreads: Spreads; readonly simulations: number; readonly seed: number },
  progress: (share: number) => void = () => undefined,
): PairsForSeverity {
  let done = 0;
  const widthOf = (planned: readonly Slot[]) => {
    const found = simulatedSeverity(planned, spreads, simulations, seed).halfWidth;
    progress(++done / (HALVINGS + 2));
    return found;
  };
  const reaches = (width: number | null) => width !== null && width <= halfWidth;
  const full = withPairs(problem, slots, slots.length);
  const most = {
    pairs: full.filter(({ second }) => second !== null).length,
    halfWidth: widthOf(full),
  };
  const none = widthOf(withPairs(problem, slots, 0));
  if (reaches(none)) return { pairs: 0, halfWidth: none, most, none };
  if (!reaches(most.halfWidth)) return { pairs: null, halfWidth: null, most, none };
  let [low, high, width] = [0, most.pairs, most.halfWidth];
  for (let i = 0; i < HALVINGS && high - low > 1; i++) {
    const middle = Math.round((low + high) / 2);
    const found = widthOf(withPairs(problem, slots, middle));
    if (reaches(found)) [high, width] = [middle, found];
    else low = middle;
  }
  return { pairs: high, halfWidth: width, most, none };
}

function placesOf(names: readonly string[]): Map<string, number> {
  return new Map([...new Set(names)].map((name, i) => [name, i]));
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
