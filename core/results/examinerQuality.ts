export interface ExaminerQuality {
  readonly examiner: number;
  readonly sheets: number;
  readonly mean: number;
  readonly sd: number | null;
  /**
   * Mean of the score given less the candidate's own mean at all stations and the station's mean
   * difference from it: how kind this examiner was to candidates as good as these, unshrunken.
   */
  readonly leniency: number;
  /** How often each overall grade was given, from grade 1 upwards. */
  readonly grades: readonly number[];
}

/** Sheets in columns: score in percent, overall grade (0 where none was given). */
export interface SheetColumns {
  readonly candidate: Int32Array;
  readonly station: Int32Array;
  readonly examiner: Int32Array;
  readonly score: Float64Array;
  readonly grade: Int32Array;
}

/**
 * The figures of every examiner: level, spread, use of the grades, and leniency after candidate
 * and station are allowed for by their means. A rough figure for feedback; where severity decides
 * something, use `examinerSeverity` or the Rasch model, which know how sure they are.
 */
export function examinerQuality(sheets: SheetColumns, topGrade = 5): ExaminerQuality[] {
  const { candidate, station, examiner, score, grade } = sheets;
  const byCandidate = meansBy(candidate, score);
  const overall = score.reduce((sum, x) => sum + x, 0) / Math.max(1, score.length);
  const byStation = meansBy(station, score);
  const count = largest(examiner) + 1;
  const n = new Int32Array(count);
  const sums = new Float64Array(count);
  const squares = new Float64Array(count);
  const lenient = new Float64Array(count);
  const grades = Array.from({ length: count }, () => Array.from({ length: topGrade }, () => 0));
  for (let i = 0; i < score.length; i++) {
    const e = examiner[i] as number;
    const x = score[i] as number;
    const expected =
      (byCandidate[candidate[i] as number] as number) +
      (byStation[station[i] as number] as number) -
      overall;
    n[e] = (n[e] as number) + 1;
    sums[e] = (sums[e] as number) + x;
    squares[e] = (squares[e] as number) + x * x;
    lenient[e] = (lenient[e] as number) + x - expected;
    const g = grade[i] as number;
    const own = grades[e] as number[];
    if (g >= 1 && g <= topGrade) own[g - 1] = (own[g - 1] as number) + 1;
  }
  return Array.from({ length: count }, (_, e) => e)
    .filter((e) => (n[e] as number) > 0)
    .map((e) => {
      const sheetsOf = n[e] as number;
      const mean = (sums[e] as number) / sheetsOf;
      const rest = Math.max(0, (squares[e] as number) - sheetsOf * mean * mean);
      return {
        examiner: e,
        sheets: sheetsOf,
        mean,
        sd: sheetsOf > 1 ? Math.sqrt(rest / (sheetsOf - 1)) : null,
        leniency: (lenient[e] as number) / sheetsOf,
        grades: grades[e] as number[],
      };
    });
}

function meansBy(group: Int32Array, values: Float64Array): Float64Array {
  const size = largest(group) + 1;
  const sums = new Float64Array(size);
  const counts = new Int32Array(size);
  for (let i = 0; i < values.length; i++) {
    const g = group[i] as number;
    sums[g] = (sums[g] as number) + (values[i] as number);
    counts[g] = (counts[g] as number) + 1;
  }
  return sums.map((sum, g) => sum / Math.max(1, counts[g] as number));
}

function largest(values: Int32Array): number {
  let most = -1;
  for (const value of values) if (value > most) most = value;
  return most;
}
