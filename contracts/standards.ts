import { CRITICAL_RULES } from '@kritikos/core/scoring/criticalItems';
import { GENERATORS } from '@kritikos/core/numerics/random';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import { STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import { z } from 'zod';
import { id, instant, text } from './primitives.ts';
import { safetyOccurrence } from './safety.ts';

const examRuleBefore = z.object({
  semMultiplier: z.number().min(0).max(3),
  fewestStationsPassed: z.int().min(0).max(60),
  criticalFailureFails: z.boolean(),
});
const examRuleWithoutParts = examRuleBefore.extend({ criticalBy: z.enum(CRITICAL_RULES) });

const percent = z.number().min(0, 'lies between 0 and 100').max(100, 'lies between 0 and 100');
const examRuleWithoutSafety = examRuleWithoutParts.extend({
  /** What must be reached in single parts over all stations, in percent. */
  parts: z.partialRecord(z.enum(RULE_PARTS), percent),
});
export const examRule = examRuleWithoutSafety.extend({
  /** Whether a safety event that is laid to the candidate fails the examination. */
  safetyEventFails: z.boolean(),
});

export const criticalCount = z.object({ item: z.string(), observed: z.int(), missed: z.int() });

/** As they were while borderline regression was the only method. */
const settingsBefore = z.object({
  borderline: z.number().min(1).max(5),
  rule: examRuleWithoutParts,
  handCuts: z.record(
    id,
    z.number().min(0, 'a cut lies between 0 and 100').max(100, 'a cut lies between 0 and 100'),
  ),
});
const method = z.enum(STATION_METHODS);
const settingsWithoutParts = settingsBefore.extend({
  /** The method of every station that none is chosen for, and those of single stations. */
  method,
  methods: z.record(id, method),
  fixedPercent: z.number().min(0).max(100),
  sds: z.number().min(0).max(4),
});
const settingsWithoutSafety = settingsWithoutParts.extend({ rule: examRuleWithoutSafety });
export const standardSettings = settingsWithoutSafety.extend({ rule: examRule });
export type Settings = z.infer<typeof standardSettings>;

/** What everybody earned part by part, in the order of the candidates of the page. */
export const standardParts = z.record(z.enum(RULE_PARTS), z.array(z.number().nullable()));
export type StandardParts = z.infer<typeof standardParts>;

/** A station with its marks in columns, in the order of the candidates beside them. */
export const stationMarks = z.object({
  station: id,
  title: z.string(),
  position: z.int(),
  percents: z.array(z.number().nullable()),
  grades: z.array(z.number().nullable()),
  critical: z.array(z.object({ place: z.int().nonnegative(), counts: z.array(criticalCount) })),
});
export type StationMarks = z.infer<typeof stationMarks>;

const outcome = z.enum(['pass', 'fail', 'incomplete']);

const stationCut = z.object({
  station: id,
  title: z.string(),
  cut: z.number().nullable(),
  byHand: z.boolean(),
  standardError: z.number().nullable(),
  bootstrapError: z.number().nullable(),
  rSquared: z.number().nullable(),
  n: z.int(),
});

const signed = z.object({
  id,
  number: z.int().positive(),
  reason: z.string(),
  signedBy: z.string(),
  signedAt: instant,
  total: z.number(),
  sem: z.number().nullable(),
  cuts: z.array(stationCut),
  passed: z.int(),
  failed: z.int(),
  incomplete: z.int(),
  outcomes: z.array(
    z.object({
      candidate: id,
      outcome,
      total: z.number().nullable(),
      stationsPassed: z.int(),
      reasons: z.array(z.string()),
    }),
  ),
});

/**
 * What was signed under the first rule of critical items: a station was passed by its score alone,
 * and the fewest critical failures of any sheet counted, whichever items they were.
 */
const signedBySchema1 = signed.extend({
  schema: z.literal(1),
  settings: settingsBefore.extend({ rule: examRuleBefore }),
});
const signedBySchema2 = signed.extend({ schema: z.literal(2), settings: settingsBefore });

/** From here on a decision names the method by which its cuts were set. */
const signedByBorderlineRegression = signedBySchema2.extend({
  schema: z.literal(3),
  method: z.literal('borderline-regression'),
});

/** Every station by the method of the examination, or by one of its own. */
const signedByMethods = signed.extend({
  schema: z.literal(4),
  method,
  settings: settingsWithoutParts,
  cuts: z.array(stationCut.extend({ method })),
});

/** From here on a rule can ask for single domains, and for safety. */
const signedByParts = signedByMethods.extend({
  schema: z.literal(5),
  settings: settingsWithoutSafety,
});

/**
 * From here on a decision names the source of chance that its resampled errors were drawn from, so
 * that they can be computed again. Those before drew from the first.
 */
const signedByGenerator = signedByParts.extend({
  schema: z.literal(6),
  generator: z.literal(GENERATORS),
});

/** From here on a rule can ask for safety events that are laid to the candidate. */
const signedBySafety = signedByGenerator.extend({
  schema: z.literal(7),
  settings: standardSettings,
});

/** A signed decision: never changed, only followed by a new one. Old schemas are read for ever. */
export const decision = z.discriminatedUnion('schema', [
  signedBySchema1,
  signedBySchema2,
  signedByBorderlineRegression,
  signedByMethods,
  signedByParts,
  signedByGenerator,
  signedBySafety,
]);
export type Decision = z.infer<typeof decision>;

/** When the results of a decision were released to the candidates, and by whom. */
export const release = z.object({ releasedAt: instant, releasedBy: z.string() });
export type Release = z.infer<typeof release>;

export const decisionSummary = z.discriminatedUnion('schema', [
  signedBySchema1.omit({ outcomes: true }),
  signedBySchema2.omit({ outcomes: true }),
  signedByBorderlineRegression.omit({ outcomes: true }),
  signedByMethods.omit({ outcomes: true }),
  signedByParts.omit({ outcomes: true }),
  signedByGenerator.omit({ outcomes: true }),
  signedBySafety.omit({ outcomes: true }),
]);
export type DecisionSummary = z.infer<typeof decisionSummary>;

/**
 * A decision read again: the same cuts and settings on the marks that it knew, under the present
 * rule of critical items. `changed` names the candidates whose outcome would be another.
 */
export const rereading = z.object({
  decision: decisionSummary,
  /** Only the newest decision can be followed by a new one. */
  newest: z.boolean(),
  /** Sheets submitted after it was signed; they are in neither column. */
  submittedSince: z.int(),
  changed: z.array(
    z.object({
      candidate: id,
      number: z.int(),
      before: outcome,
      after: outcome,
      reasons: z.array(z.string()),
    }),
  ),
});
export type Rereading = z.infer<typeof rereading>;

export const standardsPage = z.object({
  /** Everybody, in the order of the columns; no standard decides on those who have withdrawn. */
  candidates: z.array(z.object({ id, number: z.int(), withdrawn: z.boolean() })),
  marks: z.array(stationMarks),
  /** Sheets planned but not submitted; a standard set now does not know them. */
  outstanding: z.int(),
  /** The safety events that stand, whatever the rule asks. */
  safety: z.array(safetyOccurrence),
  draft: standardSettings,
  decisions: z.array(decisionSummary),
});
export type StandardsPage = z.infer<typeof standardsPage>;

export const signOff = z.object({
  settings: standardSettings,
  reason: text(1000, 10),
  /** The decision that this one follows, so that two leads do not overwrite each other. */
  follows: id.nullable(),
});
export type SignOff = z.infer<typeof signOff>;
