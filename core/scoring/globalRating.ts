/** The examiner's overall grade, given after the checklist and never before it. */
export interface GlobalGrade {
  readonly grade: number;
  readonly label: string;
  /** The grades between which the pass mark is sought. */
  readonly borderline: boolean;
}

/** The default scale of five points; grades 2 and 3 are the borderline ones. */
export const FIVE_POINT_SCALE: readonly GlobalGrade[] = [
  { grade: 1, label: 'Clear fail', borderline: false },
  { grade: 2, label: 'Borderline fail', borderline: true },
  { grade: 3, label: 'Borderline pass', borderline: true },
  { grade: 4, label: 'Clear pass', borderline: false },
  { grade: 5, label: 'Excellent', borderline: false },
];

/** The point of the scale at which borderline regression reads its cut: the middle of the borderline grades. */
export function borderlinePoint(scale: readonly GlobalGrade[]): number | null {
  const grades = scale.filter((g) => g.borderline).map((g) => g.grade);
  if (grades.length === 0) return null;
  return grades.reduce((sum, g) => sum + g, 0) / grades.length;
}
