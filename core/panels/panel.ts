import type { ChecklistItem, Scale } from '../scoring/checklist.ts';

/** How judges say what a borderline candidate would earn. */
export const PANEL_METHODS = ['angoff-percent', 'angoff-yes-no', 'angoff-points', 'ebel'] as const;
export type PanelMethod = (typeof PANEL_METHODS)[number];

/** What they judge: every item of a checklist, or a station as a whole. */
export const PANEL_LEVELS = ['item', 'station'] as const;
export type PanelLevel = (typeof PANEL_LEVELS)[number];

/** The grid of Ebel (1972): how hard a thing is for a borderline candidate, and what it matters. */
export const DIFFICULTIES = ['easy', 'medium', 'hard'] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];
export const RELEVANCES = ['essential', 'important', 'acceptable'] as const;
export type Relevance = (typeof RELEVANCES)[number];
export interface Placement {
  readonly difficulty: Difficulty;
  readonly relevance: Relevance;
}
export const EBEL_CELLS: readonly Placement[] = RELEVANCES.flatMap((relevance) =>
  DIFFICULTIES.map((difficulty) => ({ difficulty, relevance })),
);

/** How a cell of the grid is called. */
export function cellKey({ relevance, difficulty }: Placement): string {
  return `${relevance}, ${difficulty}`;
}

/** What the judges of a panel are asked beside the items, as shares in [0, 1]. */
export const HOFSTEE_QUESTIONS = ['lowestCut', 'highestCut', 'fewestFails', 'mostFails'] as const;
export const BEUK_QUESTIONS = ['beukCut', 'passRate'] as const;
export type CompromiseQuestion =
  (typeof HOFSTEE_QUESTIONS)[number] | (typeof BEUK_QUESTIONS)[number];
export type CompromiseAnswers = Readonly<Partial<Record<CompromiseQuestion, number>>>;

/** Something that judges judge: an item, or a station. */
export interface Subject {
  readonly key: string;
  readonly station: string;
  readonly weight: number;
  /** The most points that it gives, for the points form. */
  readonly points: number;
}

/**
 * The points of an item for the points form of Angoff's method (Hambleton & Plake 1995): the
 * highest grade of a graded item; two where half marks can be earned, so that one is the half;
 * one where an item is earned or not.
 */
export function pointsOf(item: ChecklistItem): number {
  switch (item.kind) {
    case 'sides':
    case 'retest':
    case 'cluster':
      return 2;
    default:
      return scalePoints(item);
  }
}

function scalePoints(scale: Scale): number {
  switch (scale.kind) {
    case 'done':
      return 1;
    case 'graded':
      return scale.anchors.length - 1;
    case 'choice':
      return scale.partly && scale.partly.length > 0 ? 2 : 1;
    case 'measured':
    case 'count':
    case 'hold':
      return 2;
  }
}

/** Yes or no asks whether a borderline candidate would earn it: of a whole station that says nothing. */
export function mayJudge(method: PanelMethod, level: PanelLevel): boolean {
  return !(method === 'angoff-yes-no' && level === 'station');
}
