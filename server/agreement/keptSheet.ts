import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import type { ExaminedScore } from '@kritikos/core/reliability/examinerEffects';

/** What stands between two values of a kept row, and for a value that is not there. */
export const BETWEEN = '\u001f';
export const NOTHING = '\u001e';

/** A sheet as the database sends it: what is kept of its items as one line of text each. */
export interface KeptSheet extends Omit<RatedSheet, 'categories' | 'shares' | 'values'> {
  readonly categories: string;
  readonly shares: string;
}

/** A number that was read: on which sheet, at which place of the checklist. */
export interface NumberRead {
  readonly sheet: string;
  readonly place: number;
  readonly value: number;
}

/** The scores of an examiner at a station as one line of text, "candidate,percent candidate,percent". */
export interface ScoreLine {
  readonly station: number;
  readonly examiner: string;
  readonly scores: string;
}

/** The scores one by one, in the order of the lines. */
export function examinedScoresOf(lines: readonly ScoreLine[]): ExaminedScore[] {
  return lines.flatMap(({ station, examiner, scores }) =>
    scores.split(' ').map((score) => {
      const [candidate, percent] = score.split(',');
      return { candidate: Number(candidate), station, examiner, percent: Number(percent) };
    }),
  );
}

/** The sheets as agreement compares them. */
export function ratedSheetsOf(
  kept: readonly KeptSheet[],
  numbers: readonly NumberRead[],
): RatedSheet[] {
  const values = new Map<string, Record<number, number>>();
  for (const { sheet, place, value } of numbers) {
    const own = values.get(sheet) ?? {};
    own[place] = value;
    values.set(sheet, own);
  }
  return kept.map(({ categories, shares, ...rest }) => ({
    ...rest,
    categories: split(categories).map((key) => (key === '' ? null : key)),
    shares: split(shares).map((share) => (share === undefined ? null : Number(share))),
    values: values.get(rest.id) ?? {},
  }));
}

/** The values of a kept row; `undefined` where there is none. */
function split(row: string): (string | undefined)[] {
  return row.split(BETWEEN).map((value) => (value === NOTHING ? undefined : value));
}
