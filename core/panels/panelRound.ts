import type { Estimate } from '../numerics/estimate.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';
import { judgesAgainstData } from '../standards/angoff.ts';
import { ebel } from '../standards/ebel.ts';
import { overJudges } from '../standards/overJudges.ts';
import { cellKey, EBEL_CELLS } from './panel.ts';
import type { PanelMethod, Placement, Subject } from './panel.ts';

/** What one judge said in a round; what is not there was left blank. */
export interface Judgements {
  /** By subject: the share of it, in [0, 1], that a borderline candidate earns. */
  readonly shares: Readonly<Record<string, number>>;
  /** By subject, for Ebel: where it stands in the grid. */
  readonly placements: Readonly<Record<string, Placement>>;
  /** For Ebel: the share that a borderline candidate gets of what stands in a cell. */
  readonly cells: Readonly<Record<string, number>>;
}

export interface JudgeInRound {
  /** In percent; `null` while nothing, or not all stations, were judged. */
  readonly cut: number | null;
  /** So far from the mean of the others that it is worth asking why. */
  readonly far: boolean;
  /** Correlation with what candidates earned before; `null` without enough data. */
  readonly againstData: number | null;
}

export interface SubjectInRound {
  readonly key: string;
  readonly mean: number | null;
  readonly spread: number | null;
  /** In the order of the judges who judged it, without names: sorted. */
  readonly values: readonly number[];
  /** The judges are of two minds about it. */
  readonly split: boolean;
}

export interface PanelRound {
  readonly cut: Estimate;
  readonly stations: readonly { readonly station: string; readonly cut: Estimate }[];
  readonly judges: readonly JudgeInRound[];
  readonly subjects: readonly SubjectInRound[];
  /** Standard deviation of the judges' cuts. */
  readonly spread: number | null;
}

/** A judge stands apart this many standard deviations of the others, and this many percent points. */
const FAR = { deviations: 2, points: 5 };
/** Judges split where their shares spread as far as this (a quarter of the scale); of yes and no, a third on either side. */
const SPLIT = { spread: 0.25, minority: 1 / 3 };

/**
 * What came of one round of a panel: the cut of every station and of the examination with their
 * standard errors, each judge beside the others, each subject with the spread of what was said.
 *
 * A judge's cut of a station is the weighted mean of the shares of what they judged there; the
 * examination's is the mean over the stations, since every station counts alike in the total. The
 * panel's cut is the mean over judges with the standard error SD / sqrt(judges) (Angoff 1971; Ebel
 * 1972 with each judge's own grid). A judge who left a whole station blank has no cut of the
 * examination and is not in it.
 *
 * `earned[subject]` in [0, 1] is what candidates earned of it before. Where a judge is far and
 * where judges split are working rules (common practice, no source). Throws `RangeError` for a
 * share outside [0, 1].
 */
export function panelRound(
  method: PanelMethod,
  subjects: readonly Subject[],
  judges: readonly Judgements[],
  earned: Readonly<Record<string, number | null>> = {},
): PanelRound {
  const stations = [...new Set(subjects.map(({ station }) => station))];
  const shares = judges.map((judge) => sharesOf(method, subjects, judge));
  const cutsOf = stations.map((station) =>
    shares.map((own) =>
      weightedMean(
        subjects.filter((one) => one.station === station),
        own,
      ),
    ),
  );
  const cuts = judges.map((_, j) => meanOfAll(cutsOf.map((own) => own[j] ?? null)));
  const data = subjects.map(({ key }) => earned[key] ?? null);
  const rows = shares.map((own) => subjects.map(({ key }) => own.get(key) ?? null));
  const correlations = judgesAgainstData(rows, data);
  const name = method === 'ebel' ? 'Ebel 1972' : 'Angoff 1971';
  return {
    cut: cutOver(cuts, name),
    stations: stations.map((station, s) => ({ station, cut: cutOver(cutsOf[s] ?? [], name) })),
    judges: judges.map((_, j) => ({
      cut: cuts[j] ?? null,
      far: isFar(cuts, j),
      againstData: correlations[j] ?? null,
    })),
    subjects: subjects.map(({ key }) => {
      const values = shares.flatMap((own) => own.get(key) ?? []).sort((a, b) => a - b);
      const spread = standardDeviation(values);
      return { key, mean: mean(values), spread, values, split: isSplit(method, values, spread) };
    }),
    spread: standardDeviation(cuts.filter((cut) => cut !== null)),
  };
}

/** The share that a judge's answers say of each subject; by Ebel it is that of the cell it stands in. */
function sharesOf(
  method: PanelMethod,
  subjects: readonly Subject[],
  { shares, placements, cells }: Judgements,
): Map<string, number> {
  const found = new Map<string, number>();
  for (const { key } of subjects) {
    const placed = placements[key];
    const share = method === 'ebel' ? placed && cells[cellKey(placed)] : shares[key];
    if (share === undefined) continue;
    if (!(share >= 0 && share <= 1))
      throw new RangeError(`A share lies between 0 and 1, not at ${share}.`);
    found.set(key, share);
  }
  return found;
}

function weightedMean(
  subjects: readonly Subject[],
  shares: ReadonlyMap<string, number>,
): number | null {
  let earned = 0;
  let possible = 0;
  for (const { key, weight } of subjects) {
    const share = shares.get(key);
    if (share === undefined) continue;
    earned += weight * share;
    possible += weight;
  }
  return possible > 0 ? (100 * earned) / possible : null;
}

function meanOfAll(cuts: readonly (number | null)[]): number | null {
  const given = cuts.filter((cut) => cut !== null);
  return given.length === cuts.length ? mean(given) : null;
}

function cutOver(cuts: readonly (number | null)[], method: string): Estimate {
  const left = cuts.filter((cut) => cut === null).length;
  const blank = `${left} of ${cuts.length} judges left a station blank and ${left === 1 ? 'is' : 'are'} not in the cut.`;
  const nobody = 'No judge has judged all of it.';
  return overJudges(cuts, { method, nobody, notes: left > 0 ? [blank] : [] });
}

function isFar(cuts: readonly (number | null)[], judge: number): boolean {
  const own = cuts[judge] ?? null;
  const others = cuts.filter((cut, j) => j !== judge && cut !== null) as number[];
  const middle = mean(others);
  const spread = standardDeviation(others);
  if (own === null || middle === null || spread === null) return false;
  return Math.abs(own - middle) > Math.max(FAR.deviations * spread, FAR.points);
}

function isSplit(method: PanelMethod, values: readonly number[], spread: number | null): boolean {
  if (values.length < 2 || spread === null) return false;
  if (method !== 'angoff-yes-no') return spread >= SPLIT.spread;
  const yes = values.filter((value) => value === 1).length / values.length;
  return Math.min(yes, 1 - yes) >= SPLIT.minority;
}

/** What the cells of a judge's grid hold, and the cut that follows, as Ebel's method has it. */
export function ebelOfJudge(subjects: readonly Subject[], { placements, cells }: Judgements) {
  const held = EBEL_CELLS.map((cell) => ({
    ...cell,
    weight: subjects
      .filter(({ key }) => {
        const placed = placements[key];
        return placed !== undefined && cellKey(placed) === cellKey(cell);
      })
      .reduce((sum, { weight }) => sum + weight, 0),
  }));
  return { held, cut: ebel(held, [held.map((cell) => cells[cellKey(cell)] ?? null)]) };
}
