import { groupBy } from '../numerics/groupBy.ts';
import { tallyMarks } from './tally.ts';
import type { Tally } from './tally.ts';

/** One of the sheets of a candidate whom several examiners marked at a station, as it is kept. */
export interface RatedSheet {
  readonly id: string;
  readonly candidate: number;
  readonly examiner: string;
  readonly percent: number | null;
  /** The variants that the examiner saw, as text that is the same where they are. */
  readonly variants: string;
  /**
   * By place on the checklist: the category of the mark, `null` where the item was asked for and
   * has none, `undefined` where the variants did not ask for it.
   */
  readonly categories: readonly (string | null | undefined)[];
  /** By place on the checklist: the share of its weight that the item earned. */
  readonly shares: readonly (number | null)[];
  /** By place on the checklist: the number that was read, where the item takes a number. */
  readonly values: Readonly<Record<number, number>>;
}

/** All sheets of each candidate who was marked by several, in the order in which they are given. */
export function sheetsByCandidate(sheets: readonly RatedSheet[]): RatedSheet[][] {
  return [...groupBy(sheets, (sheet) => sheet.candidate).values()].filter((own) => own.length > 1);
}

/** Where the mark of a sheet at a place stands, as one of the categories; `null` without a mark. */
export type ReadMark = (sheet: RatedSheet, place: number) => string | number | null;

/** One candidate at one place of the checklist, with the marks of all who gave one: two or more. */
export interface Subject {
  readonly candidate: number;
  readonly place: number;
  readonly marks: readonly { readonly sheet: RatedSheet; readonly mark: string | number }[];
}

/**
 * Every candidate at every place that two examiners or more have marked. A mark that stands alone
 * says nothing on agreement and is left out.
 */
export function subjectsOf(
  candidates: readonly (readonly RatedSheet[])[],
  places: readonly number[],
  read: ReadMark,
): Subject[] {
  // Plain loops: a large examination has half a million of these at a station.
  const subjects: Subject[] = [];
  for (const sheets of candidates) {
    const candidate = sheets[0]?.candidate ?? 0;
    for (const place of places) {
      const marks: { sheet: RatedSheet; mark: string | number }[] = [];
      for (const sheet of sheets) {
        const mark = read(sheet, place);
        if (mark !== null) marks.push({ sheet, mark });
      }
      if (marks.length > 1) subjects.push({ candidate, place, marks });
    }
  }
  return subjects;
}

/** The same subjects with the marks of these examiners alone, where both gave one. */
export function ofExaminers(
  subjects: readonly Subject[],
  examiners: ReadonlySet<string>,
): Subject[] {
  return subjects.flatMap((subject) => {
    const marks = subject.marks.filter(({ sheet }) => examiners.has(sheet.examiner));
    return marks.length > 1 ? [{ ...subject, marks }] : [];
  });
}

/** Subjects counted, with the candidate of each and the examiners in the order of their codes. */
export interface CountedSubjects {
  readonly tally: Tally;
  readonly candidateOf: Int32Array;
  readonly examiners: readonly string[];
}

/** Counts subjects over all categories of the scale. Examiners are numbered as they occur. */
export function countSubjects(
  subjects: readonly Subject[],
  categories: readonly (string | number)[],
): CountedSubjects {
  const place = new Map(categories.map((category, k) => [category, k]));
  const examiners = new Map<string, number>();
  const start = new Int32Array(subjects.length + 1);
  const rater: number[] = [];
  const category: number[] = [];
  for (const [i, { marks }] of subjects.entries()) {
    for (const { sheet, mark } of marks) {
      const k = place.get(mark);
      if (k === undefined) throw new RangeError(`Mark ${mark} is not one of the categories.`);
      const code = examiners.get(sheet.examiner) ?? examiners.size;
      examiners.set(sheet.examiner, code);
      rater.push(code);
      category.push(k);
    }
    start[i + 1] = rater.length;
  }
  return {
    tally: tallyMarks(examiners.size, categories, {
      start,
      rater: Int32Array.from(rater),
      category: Int32Array.from(category),
    }),
    candidateOf: Int32Array.from(subjects, ({ candidate }) => candidate),
    examiners: [...examiners.keys()],
  };
}
