import { byCuts } from '@kritikos/core/standards/byCuts';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { factsOf } from '@kritikos/core/standards/candidateFacts';
import type { CandidateFacts, SafetyCount } from '@kritikos/core/standards/candidateFacts';
import type { PartPercents } from '@kritikos/core/standards/partPercents';
import { scoredPairs, setStandard } from '@kritikos/core/standards/setStandard';
import type { StandardSettings, StationData } from '@kritikos/core/standards/setStandard';
import { decisionSureness } from '@kritikos/core/standards/decisionSureness';
import { methodsSideBySide } from '@kritikos/core/standards/methodsSideBySide';
import { expose } from 'comlink';

/** Computes beside the page, so that a dragged control never waits for a resample. */
let data: readonly StationData[] = [];
let candidates: readonly string[] = [];
let safety: ReadonlyMap<string, SafetyCount> | undefined;
let facts: ReadonlyMap<string, CandidateFacts> | undefined;
const work = {
  /** Takes the marks once; they do not change under the hand that moves the settings. */
  take(
    given: readonly StationData[],
    decidedOn: readonly string[],
    events: ReadonlyMap<string, SafetyCount>,
  ) {
    data = given;
    candidates = decidedOn;
    safety = events;
    facts = factsOf(candidates, undefined, safety);
  },
  /** The same of what everybody earned in the parts that a rule can ask for. */
  takeParts(parts: ReadonlyMap<string, PartPercents>) {
    facts = factsOf(candidates, parts, safety);
  },
  standard: (settings: StandardSettings) => setStandard(data, candidates, settings, facts),
  sureness: (settings: StandardSettings) =>
    decisionSureness(setStandard(data, candidates, settings, facts)),
  methods: (settings: StandardSettings) => methodsSideBySide(data, candidates, settings, facts),
  byCuts: (settings: StandardSettings, cuts: Readonly<Record<string, number>>) =>
    byCuts(data, candidates, settings, cuts, facts),
  bootstraps: (borderline: number, resamples: number) =>
    data.map(({ records }) => {
      const { scores, grades } = scoredPairs(records);
      return bootstrapCut(scores, grades, borderline, resamples, 1);
    }),
};
export type StandardsWork = typeof work;

expose(work);
