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
import { leftOutNotes, readColumns } from './readColumns.ts';
import { readNumbers } from './readRatings.ts';

/** Numbers written with commas, as flags take them. */
export function numbersOf(flag: string, text: string): number[] {
  const numbers = text.split(',').map((part) => Number(part.trim()));
  if (text.trim() === '' || numbers.some((x) => !Number.isFinite(x))) {
    throw new BadInput(`${flag} takes numbers with commas between, not "${text}".`);
  }
  return numbers;
}

/** Consistency of pass and fail on right-or-wrong items, from one examination. */
export async function huynh(
  file: string,
  { score, items, cut }: { score: string; items: number; cut: number },
) {
  const { values, leftOut } = await readColumns(file, [score]);
  const scores = values[0] ?? [];
  const odd = scores.find((s) => !Number.isInteger(s) || s < 0 || s > items);
  if (odd !== undefined) {
    throw new BadInput(`Score ${odd} is not a number right out of ${items}. Nothing was computed.`);
  }
  if (!Number.isInteger(cut) || cut < 0 || cut > items) {
    throw new BadInput(`--cut takes a whole number of items from 0 to ${items}, not ${cut}.`);
  }
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

/** A better cohort told from an easier paper, through the stations that both had. */
export async function equate(
  thisYear: string,
  lastYear: string,
  flags: { total: string; anchor: string; method: 'mean' | 'linear'; score?: number },
) {
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

/** What several cuts would do to the same candidates. */
export async function consequences(
  file: string,
  { score, cuts, sem }: { score: string; cuts: string; sem?: number },
) {
  const { values, leftOut } = await readColumns(file, [score]);
  const scores = values[0] ?? [];
  const named = cuts.split(',').map((part) => {
    const [method = '', value = ''] = part.includes('=') ? part.split('=') : [part, part];
    const cut = Number(value);
    if (value.trim() === '' || !Number.isFinite(cut)) {
      throw new BadInput(`--cuts takes names and cuts, "angoff=55,regression=58", not "${part}".`);
    }
    return { method: method.trim(), cut };
  });
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
  cuts: string;
  k: number;
  stations: number;
  critical?: string;
  unseen?: string;
  parts?: string;
  reach?: string;
  criticalFails?: boolean;
}

/**
 * Who passes by a rule: scores of stations in columns, one row a candidate. The file of critical
 * items has the same rows and columns and counts the critical items missed at each station; that of
 * unseen ones those that nobody observed.
 */
export async function examRule(file: string, flags: ExamRuleFlags) {
  const { columns, rows } = await readNumbers(file);
  const cuts = numbersOf('--cuts', flags.cuts);
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
  const missed = flags.critical === undefined ? null : await readNumbers(flags.critical);
  const unseen = flags.unseen === undefined ? null : await readNumbers(flags.unseen);
  for (const table of [missed, unseen]) {
    if (table && (table.rows.length !== rows.length || table.columns.length !== columns.length)) {
      throw new BadInput('A file of critical items has other rows or columns than the scores.');
    }
  }
  const reach = reachOf(flags.reach);
  const parts = flags.parts === undefined ? null : await readNumbers(flags.parts);
  const without = Object.keys(reach).find((part) => !parts?.columns.includes(part));
  if (without) {
    throw new BadInput(`--reach asks for ${without}, and --parts names no file with that column.`);
  }
  if (parts && parts.rows.length !== rows.length) {
    throw new BadInput('The file of parts has other rows than the scores.');
  }
  const sem = standardErrorOfMeasurement(rows);
  const rule = {
    semMultiplier: flags.k,
    fewestStationsPassed: flags.stations,
    // The file counts what was missed, by whatever rule its maker took.
    criticalBy: 'all' as const,
    criticalFailureFails: flags.criticalFails ?? false,
    parts: reach,
  };
  const cut = examCut(each, rule, sem);
  if (!cut) throw new BadInput('The standard error of measurement is undefined, so --k must be 0.');
  const decided = rows.map((row, r) => {
    const stations = row.map((percent, s) => ({
      percent,
      critical: [
        ...items(missed?.rows[r]?.[s] ?? 0, { observed: 1, missed: 1 }),
        ...items(unseen?.rows[r]?.[s] ?? 0, { observed: 0, missed: 0 }),
      ],
    }));
    const { outcome, total, stationsPassed, criticalFailures, reasons } = asBadInput(() =>
      decideCandidate(
        stations,
        each,
        cut,
        rule,
        parts && partsOf(parts.columns, parts.rows[r] ?? []),
      ),
    );
    return { row: r + 2, outcome, total, stationsPassed, criticalFailures, reasons };
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

/** "communication=60,safety=80": what must be reached in which part. */
function reachOf(text: string | undefined): Partial<Record<RulePart, number>> {
  if (text === undefined) return {};
  return Object.fromEntries(
    text.split(',').map((asked) => {
      const [name = '', value = ''] = asked.split('=').map((word) => word.trim());
      const part = RULE_PARTS.find((known) => known === name);
      const percent = Number(value);
      if (!part || value === '' || !(percent >= 0 && percent <= 100)) {
        throw new BadInput(
          `--reach takes parts and percentages, "communication=60,safety=80", of ${RULE_PARTS.join(', ')}, not "${asked}".`,
        );
      }
      return [part, percent] as const;
    }),
  );
}

function partsOf(columns: readonly string[], row: readonly (number | null)[]): PartPercents {
  return Object.fromEntries(
    RULE_PARTS.map((part) => [part, row[columns.indexOf(part)] ?? null]),
  ) as PartPercents;
}
