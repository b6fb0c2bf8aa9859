import { cohenKappa } from '../agreement/cohenKappa.ts';
import { fromCounts } from '../agreement/crossTable.ts';
import { dStudy } from '../reliability/dStudy.ts';
import { examinationTrust } from '../reliability/examinationTrust.ts';
import type { SheetScorePoint } from '../reliability/examinationTrust.ts';
import { intraclass } from '../reliability/intraclass.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import type { ScoredSheet } from './performance.ts';

/** An interval’s middle and half of its width. */
export interface Measured {
  readonly estimate: number;
  readonly halfWidth: number | null;
}

/** The marks that two examiners gave a performance at a station with these items. */
export interface SeenTwice {
  readonly items: readonly ChecklistItem[];
  readonly pair: readonly ScoredSheet[];
}

/** Of an examination as planned, and with a station more. */
export interface Trust {
  readonly dependability: number | null;
  readonly sem: number;
  readonly withOneMore: number | null;
}

const PARTS = ['none', 'part', 'all'] as const;

/** Cohen’s kappa over all marks given twice, by nothing, part or all of the item; `null` without any. */
export function kappaOf(twice: readonly SeenTwice[]): Measured | null {
  if (twice.length === 0) return null;
  const counts = PARTS.map(() => PARTS.map(() => 0));
  const part = (share: number) => (share === 0 ? 0 : share === 1 ? 2 : 1);
  for (const { items, pair } of twice) {
    for (const { key } of items) {
      const [first, second] = [pair[0]?.shares[key], pair[1]?.shares[key]];
      if (first === undefined || second === undefined) continue;
      const row = counts[part(first)] as number[];
      row[part(second)] = (row[part(second)] as number) + 1;
    }
  }
  return measured(cohenKappa(fromCounts([...PARTS], counts)));
}

/** ICC(1,1) of the scores that performances got twice; `null` of fewer than two. */
export function iccOf(twice: readonly SeenTwice[]): Measured | null {
  if (twice.length < 2) return null;
  const { forms } = intraclass(
    twice.map(({ pair }) => pair.slice(0, 2).map(({ percent }) => percent)),
  );
  return measured(forms.ICC11);
}

function measured({
  estimate,
  lower,
  upper,
}: {
  readonly estimate: number | null;
  readonly lower?: number | null;
  readonly upper?: number | null;
}): Measured | null {
  if (estimate === null) return null;
  return { estimate, halfWidth: lower == null || upper == null ? null : (upper - lower) / 2 };
}

/** Dependability by variance components, as the examination’s own trust; `null` where it says none. */
export function trustOf(scored: readonly ScoredSheet[], stations: number): Trust | null {
  const points: SheetScorePoint[] = scored.map(({ candidate, station, percent }) => ({
    candidate,
    station,
    percent,
  }));
  const { held, shares } = examinationTrust(points, { stations });
  if (!held) return null;
  const named: Record<string, string> = { examiner: 'residual', rest: 'residual' };
  const components = Object.fromEntries(
    shares.map(({ source, variance }) => [named[source] ?? source, variance]),
  );
  const more = dStudy(components, { ...held.sizes, station: stations + 1 });
  return {
    dependability: held.dependability,
    sem: held.sem,
    withOneMore: more.dependability,
  };
}
