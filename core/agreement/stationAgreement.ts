import { groupBy } from '../numerics/groupBy.ts';
import { intraclass } from '../reliability/intraclass.ts';
import { isDeclared } from '../scoring/checklist.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { blandAltman } from './blandAltman.ts';
import type { BlandAltman } from './blandAltman.ts';
import { everyCoefficientByCandidates } from './byCandidates.ts';
import { disputeOf } from './disputeKind.ts';
import type { Dispute } from './disputeKind.ts';
import { everyCoefficient } from './everyCoefficient.ts';
import type { EveryCoefficient } from './everyCoefficient.ts';
import { examinerPairs, meanScoreDifference } from './examinerPairs.ts';
import type { ExaminerPair } from './examinerPairs.ts';
import { isTechnique, placesOf, POOLED_SCALE, scaleOf } from './itemScale.ts';
import type { ItemScale } from './itemScale.ts';
import { pooledShares } from './pseudoSubjects.ts';
import { countSubjects, ofExaminers, sheetsByCandidate, subjectsOf } from './ratedSheet.ts';
import type { RatedSheet, Subject } from './ratedSheet.ts';
import { withinSubjectSd } from './withinSubject.ts';
import type { Estimate } from '../numerics/estimate.ts';

/** How far examiners agree on a set of marks. */
export interface Agreement {
  /** Candidates whom two examiners or more marked here. */
  readonly candidates: number;
  /** Marks that can be compared: each candidate once for every item. */
  readonly marks: number;
  /** Examiners who gave them. */
  readonly examiners: number;
  readonly coefficients: EveryCoefficient;
  /** 0 where all categories are equally common, 1 where only one is used (Byrt et al. 1993). */
  readonly prevalenceIndex: number | null;
}

export interface Measured {
  readonly unit: string;
  /** Within-subject standard deviation over all examiners of a candidate, in the item's unit. */
  readonly within: Estimate;
  readonly pairs: readonly {
    readonly first: string;
    readonly second: string;
    /** First minus second; `null` for fewer than three candidates. */
    readonly limits: BlandAltman | null;
    readonly n: number;
  }[];
}

export interface ItemAgreement extends Agreement {
  readonly item: string;
  readonly dispute: Dispute;
  /** Share of all disagreement of the station that this item makes, in [0, 1]. */
  readonly share: number;
  /** Limits of agreement, of an item that takes a number; else `null`. */
  readonly measured: Measured | null;
}

export interface PairAgreement extends Pick<ExaminerPair, 'first' | 'second'> {
  readonly candidates: number;
  readonly meanDifference: number | null;
  readonly agreement: Agreement;
}

/** Agreement of the marks that share something: a domain, how they are known, a variant. */
export interface GroupAgreement {
  readonly name: string;
  readonly candidates: number;
  readonly marks: number;
  /** `null` where there are too few candidates to say. */
  readonly agreement: Agreement | null;
}

export interface ScoreAgreement {
  readonly candidates: number;
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
  /** Standard error of measurement of one examiner's score, in percent points. */
  readonly sem: number | null;
  /** The smallest difference between two scores that is more than error, 95 %. */
  readonly smallestRealChange: number | null;
  readonly notes: readonly string[];
}

export interface StationAgreement {
  readonly candidates: number;
  /** In how many of them the examiners recorded different variants. */
  readonly variantsDiffer: number;
  readonly examiners: readonly string[];
  readonly technique: Agreement;
  readonly declared: Agreement | null;
  readonly scores: ScoreAgreement;
  readonly pairs: readonly PairAgreement[];
  readonly byDomain: readonly GroupAgreement[];
  readonly byObservability: readonly GroupAgreement[];
  /** By the variants that both saw; where they differ, under the empty name. */
  readonly byVariant: readonly GroupAgreement[];
  /** In the order of the checklist. */
  readonly items: readonly ItemAgreement[];
}

/** Fewer candidates than this give no coefficient of a part of a station. */
export const FEWEST_CANDIDATES = 5;

/**
 * How far the examiners of a station agree, from the sheets of every candidate whom several marked.
 *
 * All examiners of a candidate are used. Each item is compared on its own scale (`scaleOf`), with
 * one subject a candidate; a station or a part of it by no, part and full mark, with errors by
 * candidates (`everyCoefficientByCandidates`). Declared results stand apart from technique. The
 * score is compared by ICC(2,1), any examiner being as good as another, with its generalised
 * interval, which holds for few examiners too. Nothing here pools different pairs of examiners as
 * "first" and "second".
 */
export function stationAgreement(
  items: readonly ChecklistItem[],
  sheets: readonly RatedSheet[],
): StationAgreement {
  const candidates = sheetsByCandidate(sheets);
  const everything = subjectsOf(candidates, [...items.keys()], POOLED_SCALE.read);
  const declaredAt = new Set(placesOf(items, isDeclared));
  const technique = everything.filter(({ place }) => !declaredAt.has(place));
  const byName = (nameOf: (subject: Subject) => string) =>
    [...groupBy(technique, nameOf)].map(([name, subjects]) => groupAgreement(name, subjects));
  const by = (nameOf: (item: ChecklistItem) => string) =>
    byName(({ place }) => nameOf(items[place] as ChecklistItem));
  const pairs = examinerPairs(candidates);
  const variants = new Map(candidates.map((own) => [own[0]?.candidate ?? 0, variantOf(own)]));
  return {
    candidates: candidates.length,
    variantsDiffer: candidates.filter((own) => variantOf(own) === '').length,
    examiners: [...new Set(candidates.flat().map(({ examiner }) => examiner))],
    technique: pooledAgreement(technique),
    declared:
      declaredAt.size === 0
        ? null
        : pooledAgreement(everything.filter(({ place }) => declaredAt.has(place))),
    scores: scoreAgreement(candidates),
    pairs: pairs.map(({ first, second, sheets: both }) => ({
      first,
      second,
      candidates: both.length,
      meanDifference: meanScoreDifference(both),
      agreement: pooledAgreement(ofExaminers(technique, new Set([first, second]))),
    })),
    byDomain: by((item) => item.domain),
    byObservability: by((item) => item.observability),
    byVariant: byName(({ candidate }) => variants.get(candidate) ?? ''),
    items: itemAgreements(items, candidates, pairs),
  };
}

/** The agreement on technique alone, of all items together: what the years compare. */
export function techniqueAgreement(
  items: readonly ChecklistItem[],
  sheets: readonly RatedSheet[],
): Agreement {
  const places = placesOf(items, isTechnique);
  return pooledAgreement(subjectsOf(sheetsByCandidate(sheets), places, POOLED_SCALE.read));
}

/** The agreement of a part of a station; none where there are too few candidates to say. */
function groupAgreement(name: string, subjects: readonly Subject[]): GroupAgreement {
  const candidates = countCandidates(subjects);
  return {
    name,
    candidates,
    marks: subjects.length,
    agreement: candidates < FEWEST_CANDIDATES ? null : pooledAgreement(subjects),
  };
}

function itemAgreements(
  items: readonly ChecklistItem[],
  candidates: readonly (readonly RatedSheet[])[],
  pairs: readonly ExaminerPair[],
): ItemAgreement[] {
  const amounts = items.map((item, place) => item.weight * distanceAt(candidates, place));
  const all = amounts.reduce((sum, amount) => sum + amount, 0);
  return items.map((item, place) => {
    const scale = scaleOf(item);
    const subjects = subjectsOf(candidates, [place], scale.read);
    const keys = scale.categories.map(({ key }) => key);
    return {
      item: item.key,
      ...agreementOn(subjects, scale),
      dispute: disputeOf(subjects, keys),
      share: all === 0 ? 0 : (amounts[place] as number) / all,
      measured: measuredAt(item, place, candidates, pairs),
    };
  });
}

/** The coefficients of one item: one subject a candidate. */
export function agreementOn(subjects: readonly Subject[], scale: ItemScale): Agreement {
  const keys = scale.categories.map(({ key }) => key);
  const { tally, examiners } = countSubjects(subjects, keys);
  const { level, weights } = scale;
  return {
    candidates: subjects.length,
    marks: subjects.length,
    examiners: examiners.length,
    coefficients: everyCoefficient(tally, { level, weights, seed: 1, resamples: 0 }),
    prevalenceIndex: prevalenceOf(pooledShares(tally), subjects.length),
  };
}

/** The coefficients of many items of each candidate, by no, part and full mark. */
export function pooledAgreement(subjects: readonly Subject[]): Agreement {
  const keys = POOLED_SCALE.categories.map(({ key }) => key);
  const { tally, candidateOf, examiners } = countSubjects(subjects, keys);
  return {
    candidates: countCandidates(subjects),
    marks: subjects.length,
    examiners: examiners.length,
    coefficients: everyCoefficientByCandidates(tally, candidateOf, { level: POOLED_SCALE.level }),
    prevalenceIndex: prevalenceOf(pooledShares(tally), subjects.length),
  };
}

function countCandidates(subjects: readonly Subject[]): number {
  return new Set(subjects.map(({ candidate }) => candidate)).size;
}

/** `(k max p - 1) / (k - 1)` of the shares of k categories; Byrt's index where k is 2. */
function prevalenceOf(shares: Float64Array, subjects: number): number | null {
  const k = shares.length;
  return k < 2 || subjects === 0 ? null : (k * Math.max(...shares) - 1) / (k - 1);
}

/** The variants that all saw; empty where they saw different ones. */
function variantOf(sheets: readonly RatedSheet[]): string {
  const [first, ...others] = sheets;
  return others.every(({ variants }) => variants === first?.variants)
    ? (first?.variants ?? '')
    : '';
}

/** By how much the shares of two examiners of a candidate differ at a place, over all candidates. */
function distanceAt(candidates: readonly (readonly RatedSheet[])[], place: number): number {
  let sum = 0;
  for (const sheets of candidates) {
    const shares = sheets.flatMap(({ shares: own }) => own[place] ?? []);
    let apart = 0;
    for (const [i, one] of shares.entries()) {
      for (const other of shares.slice(i + 1)) apart += Math.abs(one - other);
    }
    const pairs = (shares.length * (shares.length - 1)) / 2;
    if (pairs > 0) sum += apart / pairs;
  }
  return sum;
}

/** Limits of agreement of the numbers that were read; `null` of an item that takes none. */
function measuredAt(
  item: ChecklistItem,
  place: number,
  candidates: readonly (readonly RatedSheet[])[],
  pairs: readonly ExaminerPair[],
): Measured | null {
  const unit = unitOf(item);
  if (unit === null) return null;
  const read = ({ values }: RatedSheet) => values[place] ?? null;
  return {
    unit,
    within: withinSubjectSd(candidates.map((sheets) => sheets.map(read))),
    pairs: pairs.map(({ first, second, sheets }) => {
      const both = sheets.flatMap((pair) => {
        const [a, b] = [read(pair.first), read(pair.second)];
        return a === null || b === null ? [] : [[a, b] as const];
      });
      const limits = blandAltman(
        both.map(([a]) => a),
        both.map(([, b]) => b),
      );
      return { first, second, limits, n: both.length };
    }),
  };
}

/** The unit of an item that takes a number; `null` of the others. */
export function unitOf(item: ChecklistItem): string | null {
  if (item.kind === 'measured' || item.kind === 'count') return item.unit;
  return item.kind === 'hold' ? 'seconds' : null;
}

function scoreAgreement(candidates: readonly (readonly RatedSheet[])[]): ScoreAgreement {
  const { rows } = scoreTable(candidates);
  const { forms, semAgreement, mdc95, subjects } = intraclass(rows);
  const { estimate, lower, upper, notes } = forms.ICC21;
  return {
    candidates: subjects,
    estimate,
    lower,
    upper,
    sem: semAgreement,
    smallestRealChange: mdc95,
    // What is said of McGraw & Wong's interval is said of one that is not shown here.
    notes: notes.filter((note) => !note.includes('McGraw & Wong')),
  };
}

/** The scores of every candidate whom two scored or more: a row a candidate, a column an examiner. */
export function scoreTable(candidates: readonly (readonly RatedSheet[])[]): {
  examiners: string[];
  numbers: number[];
  rows: (number | null)[][];
} {
  const scored = candidates
    .map((sheets) => sheets.filter(({ percent }) => percent !== null))
    .filter((sheets) => sheets.length > 1);
  const examiners = [...new Set(scored.flat().map(({ examiner }) => examiner))];
  return {
    examiners,
    numbers: scored.map(([first]) => first?.candidate ?? 0),
    rows: scored.map((sheets) =>
      examiners.map(
        (examiner) => sheets.find((sheet) => sheet.examiner === examiner)?.percent ?? null,
      ),
    ),
  };
}
