interface Place {
  readonly position: number;
}

/** What can be wrong with a demo; `null` where it is not. */
export interface Imperfections {
  readonly hardExaminer: string | null;
  readonly ambiguousItem: (Place & { readonly item: string }) | null;
  readonly easyItem: string | null;
  readonly otherSchool: (Place & { readonly item: string; readonly examiner: string }) | null;
  readonly missingMarks: (Place & { readonly candidate: number }) | null;
  readonly safetyEvent: (Place & { readonly candidate: number }) | null;
  readonly lateCandidate: number | null;
  /** So many of the last candidates are in the middle of their rounds. */
  readonly underWay: number;
  /** By how many standard deviations of ability the last cohort is weaker. */
  readonly weakerLastYear: number;
  /** How much likelier, in logits, an item of the station is met this year. */
  readonly easierStation: (Place & { readonly by: number }) | null;
}

/**
 * What is wrong with the demo on purpose, so that every analysis has something true to find:
 *
 * - Greta Mukherjee, second examiner of stations 1 and 2, is hard on technique;
 * - at station 2 one item (pelvis-level) is ambiguous: both examiners split at random;
 * - hand hygiene is an item that everyone passes;
 * - Osei Fontaine, second at stations 3 and 4, learnt the ankle with a straight knee;
 * - one sheet has missing marks, one station was interrupted by a safety event;
 * - candidate 24 came late and is still to be marked, and the last four of the second circuit are
 *   in their rounds;
 * - the present cohort is truly stronger than the last one;
 * - station 5 has become easier: its question got about.
 */
export const IMPERFECTIONS = {
  hardExaminer: 'Greta Mukherjee',
  ambiguousItem: { position: 2, item: 'pelvis-level' },
  easyItem: 'hand-hygiene',
  otherSchool: { position: 4, item: 'slack-calf', examiner: 'Osei Fontaine' },
  missingMarks: { position: 3, candidate: 9 },
  safetyEvent: { position: 3, candidate: 17 },
  lateCandidate: 24,
  underWay: 4,
  weakerLastYear: 0.6,
  easierStation: { position: 5, by: 1.3 },
} as const satisfies Imperfections;

/** The same demo with nothing wrong, to see that no page names what is not there. */
export const FLAWLESS: Imperfections = {
  hardExaminer: null,
  ambiguousItem: null,
  easyItem: null,
  otherSchool: null,
  missingMarks: null,
  safetyEvent: null,
  lateCandidate: null,
  underWay: 0,
  weakerLastYear: 0,
  easierStation: null,
};
