import { compareConsequences } from '@kritikos/core/standards/consequences';
import {
  huynh as huynhConsistency,
  kr21,
  subkoviak,
} from '@kritikos/core/standards/dichotomousConsistency';
import { equate as equateCohorts } from '@kritikos/core/standards/equating';
import { decideCandidate, examCut } from '@kritikos/core/standards/examRule';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import type { PartPercents, RulePart } from '@kritikos/core/standards/partPercents';
import { standardErrorOfMeasurement } from '@kritikos/core/reliability/standardError';
import { asBadInput, BadInput } from './badInput.ts';
import { cellsLike, rowsLike } from './joined.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';
import { readNumbers } from './readRatings.ts';
import { COUNTS, cutOn, PERCENTAGES, scoresOn } from './scales.ts';

/** Consistency of pass and fail on right-or-wrong items, from one examination. */
export async function huynh(
  file: string,
  { score, items, cut }: { score: string; items: number; cut: number },
) {
  if (cut > items) {
    throw new BadInput(`--cut takes a whole number of items from 0 to ${items}, not ${cut}.`);
  }
  const right = { lowest: 0, highest: items, whole: true, name: 'a number right' };
  const { values, leftOut } = await readColumns(file, [score], [right]);
  const scores = values[0] ?? [];
  const result = huynhConsistency(scores, items, cut);
  const notes = leftOutNotes(leftOut, 'score');
  const reason = 'KR-21 is not above 0, so no beta of true scores fits.';
  return {
    kr21: kr21(scores, items),
    accuracy: result?.accuracy ?? null,
    consistency: result?.consistency ?? null,
    kappa: result?.kappa ?? null,
    passRate: result?.passRate ?? null,
    subkoviak: subkoviak(scores, items, cut)?.consistency ?? null,
    n: scores.length,
    notes: result ? notes : [reason, ...notes],
  };
}

export interface EquateFlags {
  total: string;
  anchor: string;
  method: 'mean' | 'linear';
  score?: number;
}

/** A better cohort told from an easier paper, through the stations that both had. */
export async function equate(thisYear: string, lastYear: string, flags: EquateFlags) {
  const [now, then] = [
    await readColumns(thisYear, [flags.total, flags.anchor]),
    await readColumns(lastYear, [flags.total, flags.anchor]),
  ];
  const cohort = ({ values: [totals = [], anchors = []] }: typeof now) => ({ totals, anchors });
  const result = equateCohorts(cohort(now), cohort(then), flags.method);
  const notes = [
    ...leftOutNotes(now.leftOut, 'total or anchor, this year,'),
    ...leftOutNotes(then.leftOut, 'total or anchor, last year,'),
  ];
  if (!result) {
    const why = 'A cohort has fewer than two candidates, or its scores do not vary.';
    return {
      cohortDifference: null,
      paperDifference: null,
      method: flags.method,
      notes: [why, ...notes],
    };
  }
  return {
    cohortDifference: result.cohortDifference,
    paperDifference: result.paperDifference,
    ...(flags.score === undefined ? {} : { lastYearsScore: result.toLast(flags.score) }),
    method: result.method,
    notes,
  };
}

export interface ConsequencesFlags {
  score: string;
  cuts: readonly (readonly [method: string, cut: number])[];
  sem?: number;
  lowest: number;
  highest: number;
}

/** What several cuts would do to the same candidates. */
export async function consequences(
  file: string,
  { score, cuts, sem, lowest, highest }: ConsequencesFlags,
) {
  const scale = scoresOn(lowest, highest);
  const { values, leftOut } = await readColumns(file, [score], [scale]);
  const scores = values[0] ?? [];
  const named = cuts.map(([method, cut]) => ({ method, cut: cutOn(scale, '--cuts', cut) }));
  return {
    cuts: compareConsequences(scores, named, 0, sem ?? null).map(({ lost, gained, ...rest }) => ({
      ...rest,
      lost: lost.length,
      gained: gained.length,
    })),
    reference: named[0]?.method,
    n: scores.length,
    notes: leftOutNotes(leftOut, 'score'),
  };
}

export interface ExamRuleFlags {
  cuts: readonly number[];
  k: number;
  stations: number;
  critical?: string;
  unseen?: string;
  parts?: string;
  reach?: readonly (readonly [part: string, percent: number])[];
  criticalFails?: boolean;
  safety?: string;
}

/**
 * Who passes by a rule: scores of stations in columns, one row a candidate. The file of critical
 * items counts the critical items missed at each station; that of unseen ones those that nobody
 * observed; that of parts has a column a part; that of safety events the columns laid and open. All are joined by the names of candidates and
 * stations.
 */
export async function examRule(file: string, flags: ExamRuleFlags) {
  const scores = await readNumbers(file, PERCENTAGES);
  const { columns, rows, names } = scores;
  const { cuts } = flags;
  if (cuts.length !== 1 && cuts.length !== columns.length) {
    throw new BadInput(
      `--cuts names ${cuts.length} cuts for ${columns.length} stations; name one for all or one for each.`,
    );
  }
  if (flags.stations > columns.length) {
    throw new BadInput(
      `--stations ${flags.stations} is more than the ${columns.length} there are.`,
    );
  }
  const each = columns.map((_, i) => (cuts.length === 1 ? cuts[0] : cuts[i]) as number);
  const counted = async (path: string | undefined) =>
    path === undefined ? null : cellsLike(await readNumbers(path, COUNTS), scores);
  const missed = await counted(flags.critical);
  const unseen = await counted(flags.unseen);
  const reach = Object.fromEntries(flags.reach ?? []) as Partial<Record<RulePart, number>>;
  const parts = flags.parts === undefined ? null : await readNumbers(flags.parts, PERCENTAGES);
  const without = Object.keys(reach).find((part) => !parts?.columns.includes(part));
  if (without) {
    throw new BadInput(`--reach asks for ${without}, and --parts names no file with that column.`);
  }
  const reached = parts && rowsLike(parts, scores);
  const safety = flags.safety === undefined ? null : await readNumbers(flags.safety, COUNTS);
  const absent = ['laid', 'open'].find((name) => safety && !safety.columns.includes(name));
  if (absent) throw new BadInput(`--safety names a file without the column ${absent}.`);
  const events = safety && rowsLike(safety, scores);
  const eventsOf = (r: number, name: string) =>
    events?.[r]?.[safety?.columns.indexOf(name) ?? -1] ?? 0;
  const sem = standardErrorOfMeasurement(rows);
  const rule = {
    semMultiplier: flags.k,
    fewestStationsPassed: flags.stations,
    // The file counts what was missed, by whatever rule its maker took.
    criticalBy: 'all' as const,
    criticalFailureFails: flags.criticalFails ?? false,
    safetyEventFails: safety !== null,
    parts: reach,
  };
  const cut = examCut(each, rule, sem);
  if (!cut) throw new BadInput('The standard error of measurement is undefined, so --k must be 0.');
  const decided = rows.map((row, r) => {
    const stations = row.map((percent, s) => ({
      percent,
      critical: [
        ...items(missed?.[r]?.[s] ?? 0, { observed: 1, missed: 1 }),
        ...items(unseen?.[r]?.[s] ?? 0, { observed: 0, missed: 0 }),
      ],
    }));
    const { outcome, total, stationsPassed, criticalFailures, reasons } = asBadInput(() =>
      decideCandidate(stations, each, cut, rule, {
        parts: parts && partsOf(parts.columns, reached?.[r] ?? []),
        safety: { laid: eventsOf(r, 'laid'), open: eventsOf(r, 'open') },
      }),
    );
    return {
      candidate: names[r],
      row: r + 2,
      outcome,
      total,
      stationsPassed,
      criticalFailures,
      reasons,
    };
  });
  const count = (outcome: string) => decided.filter((d) => d.outcome === outcome).length;
  return {
    total: cut.total,
    sem,
    passed: count('pass'),
    failed: count('fail'),
    incomplete: count('incomplete'),
    candidates: decided,
    notes: [],
  };
}

/** So many critical items, observed and missed so often. */
function items(count: number, seen: { observed: number; missed: number }) {
  return Array.from({ length: count }, (_, i) => ({ item: `item ${i + 1}`, ...seen }));
}

function partsOf(columns: readonly string[], row: readonly (number | null)[]): PartPercents {
  return Object.fromEntries(
    RULE_PARTS.map((part) => [part, row[columns.indexOf(part)] ?? null]),
  ) as PartPercents;
}
