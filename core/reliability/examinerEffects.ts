import { sampleOf } from '../numerics/sampleOf.ts';
import type { Factor } from './factor.ts';
import { crossed } from './generalizability.ts';
import { examinerSeverity } from './severity.ts';
import type { Severity } from './severity.ts';

/** The score of one sheet, in percent: whose, at which station, by whom. */
export interface ExaminedScore {
  readonly candidate: number;
  readonly station: number;
  readonly examiner: string;
  readonly percent: number;
}

export interface ExaminerEffect extends Omit<Severity, 'level'> {
  readonly examiner: string;
}

export interface ExaminerEffects {
  /** The harshest first; empty where the sheets do not tell. */
  readonly examiners: readonly ExaminerEffect[];
  /** Standard deviation between examiners, in percent points. */
  readonly spread: number | null;
  readonly sheets: number;
  /** The factors of the model that the sheets could tell apart, as the command names them. */
  readonly model: string;
  readonly notes: readonly string[];
}

/** More sheets than this tell no more of a severity, and take long. */
const MOST_SHEETS = 8000;

/**
 * How severe each examiner of an examination is, in percent points of a sheet's score.
 *
 * Model: score = mean + candidate + station + candidate:station + examiner + rest, all random, by
 * REML, severity as `examinerSeverity` has it: shrunken towards nobody being severe. The term
 * candidate:station stays out where no performance was marked by two.
 * Beyond 8,000 sheets so many candidates are drawn that about as many are left, and a note says so.
 */
export function examinerEffects(scores: readonly ExaminedScore[]): ExaminerEffects {
  const { used, notes } = drawn(scores);
  const names = [...new Set(used.map(({ examiner }) => examiner))];
  const twice = seenTwice(used);
  const model = modelOf(used);
  const nothing = { examiners: [], spread: null, sheets: used.length, model };
  if (names.length < 2) {
    const why = 'Fewer than two examiners marked, so that nobody can be called severe or mild.';
    return { ...nothing, notes: [...notes, why] };
  }
  try {
    const study = examinerSeverity(
      Float64Array.from(used, ({ percent }) => percent),
      factorsOf(used, names, twice),
      'examiner',
    );
    const examiners = study.examiners
      .map(({ level, ...rest }) => ({ examiner: names[level] ?? '', ...rest }))
      .sort((a, b) => b.severity - a.severity);
    const variance = study.components.components.examiner ?? 0;
    return {
      ...nothing,
      examiners,
      spread: Math.sqrt(variance),
      notes: [...notes, ...study.notes],
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...nothing, notes: [...notes, error.message] };
  }
}

/** The model that these scores can tell apart, as the command `severity` names it. */
export function modelOf(scores: readonly ExaminedScore[]): string {
  return `candidate + station${seenTwice(scores) ? ' + candidate:station' : ''} + examiner`;
}

function seenTwice(scores: readonly ExaminedScore[]): boolean {
  return new Set(scores.map(placeOf)).size < scores.length;
}

/** Whose score it is, and where. */
export function placeOf({ candidate, station }: ExaminedScore): string {
  return `${candidate}:${station}`;
}

/** The scores that severity is taken from, with a note where not all are. */
export function drawn(scores: readonly ExaminedScore[]): {
  used: readonly ExaminedScore[];
  notes: string[];
} {
  const all = [...new Set(scores.map(({ candidate }) => candidate))].sort((a, b) => a - b);
  if (scores.length <= MOST_SHEETS) return { used: scores, notes: [] };
  const most = Math.max(3, Math.floor((all.length * MOST_SHEETS) / scores.length));
  const kept = new Set(sampleOf(all, most));
  return {
    used: scores.filter(({ candidate }) => kept.has(candidate)),
    notes: [`${kept.size} of the ${all.length} candidates were drawn.`],
  };
}

function factorsOf(
  scores: readonly ExaminedScore[],
  examiners: readonly string[],
  twice: boolean,
): Factor[] {
  const factor = <T>(name: string, of: (score: ExaminedScore) => T): Factor => {
    const codes = new Map<T, number>();
    const level = Int32Array.from(scores, (score) => {
      const known = codes.get(of(score)) ?? codes.size;
      codes.set(of(score), known);
      return known;
    });
    return { name, levels: codes.size, level };
  };
  const candidate = factor('candidate', (score) => score.candidate);
  const station = factor('station', (score) => score.station);
  const byPlace = new Map(examiners.map((examiner, i) => [examiner, i]));
  return [
    candidate,
    station,
    ...(twice ? [crossed([candidate, station])] : []),
    {
      name: 'examiner',
      levels: examiners.length,
      level: Int32Array.from(scores, (score) => byPlace.get(score.examiner) ?? 0),
    },
  ];
}
