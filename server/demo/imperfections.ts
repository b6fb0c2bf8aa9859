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
  /** So many of the last candidates are in the middle of their rounds. */
  underWay: 4,
  /** By how many standard deviations of ability the last cohort is weaker. */
  weakerLastYear: 0.6,
  /** How much likelier, in logits, an item of the station is met this year. */
  easierStation: { position: 5, by: 1.3 },
} as const;
