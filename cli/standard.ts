import { borderlineGroup } from '@kritikos/core/standards/borderlineGroup';
import { borderlineRegression } from '@kritikos/core/standards/borderlineRegression';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { BadInput, badCell } from './badInput.ts';
import { readNumber, readTable } from './readTable.ts';

export const STANDARD_METHODS = ['borderline-regression', 'borderline-group'] as const;

export interface StandardFlags {
  method: (typeof STANDARD_METHODS)[number];
  score: string;
  grade: string;
  borderline: number;
  resamples?: number;
  seed: number;
}

/** A cut from a file of scores and overall grades. */
export async function standard(file: string, flags: StandardFlags) {
  const scores: number[] = [];
  const grades: number[] = [];
  let leftOut = 0;
  let places: [number, number] = [-1, -1];
  await readTable(
    file,
    (header) => {
      const at = (name: string) => {
        const place = header.indexOf(name);
        if (place < 0)
          throw new BadInput(`The file has no column "${name}". It has: ${header.join(', ')}.`);
        return place;
      };
      places = [at(flags.score), at(flags.grade)];
    },
    (cells, row) => {
      const read = (place: number, column: string) => {
        const value = readNumber(cells[place] as string);
        if (value === undefined) throw badCell(row, column, `"${cells[place]}" is not a number`);
        return value;
      };
      const score = read(places[0], flags.score);
      const grade = read(places[1], flags.grade);
      if (score === null || grade === null) leftOut++;
      else {
        scores.push(score);
        grades.push(grade);
      }
    },
  );
  if (scores.length === 0) throw new BadInput('No row has both a score and a grade.');
  const passRate = (cut: number | null) =>
    cut === null ? null : scores.filter((s) => s >= cut - 1e-9).length / scores.length;
  const missing = leftOut > 0 ? [`${leftOut} rows without score or grade were left out.`] : [];
  if (flags.method === 'borderline-group') {
    const { mean } = borderlineGroup(scores, grades, flags.borderline);
    return {
      cut: mean.estimate,
      standardError: mean.standardError,
      n: scores.length,
      passRate: passRate(mean.estimate),
      notes: [...mean.notes, ...missing],
    };
  }
  const range: [number, number] = [Math.min(...[0, ...scores]), Math.max(...scores)];
  const { cut, line } = borderlineRegression(scores, grades, flags.borderline, range);
  const boot =
    flags.resamples === undefined
      ? null
      : bootstrapCut(scores, grades, flags.borderline, flags.resamples, flags.seed);
  return {
    cut: cut.estimate,
    standardError: cut.standardError,
    slope: line?.slope ?? null,
    intercept: line?.intercept ?? null,
    rSquared: line?.rSquared ?? null,
    n: scores.length,
    passRate: passRate(cut.estimate),
    notes: [...cut.notes, ...missing],
    ...(boot ? { bootstrap: boot } : {}),
  };
}
