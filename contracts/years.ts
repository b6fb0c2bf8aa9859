import { z } from 'zod';
import { estimate, figure } from './agreement.ts';
import { id } from './primitives.ts';

/** One station in one sitting. */
export const stationFigures = z.object({
  stationId: id,
  examinationId: id,
  position: z.int(),
  title: z.string(),
  /** The station of the bank that it was made from. */
  bankStationId: id,
  /** Candidates with a score, their mean in percent, and the share of them below the cut. */
  candidates: z.int(),
  facility: z.number().nullable(),
  failing: z.number().nullable(),
  /** By borderline regression at the usual point. */
  cut: estimate,
  rSquared: z.number().nullable(),
  /** Kappa over all items of the sheets that two examiners filled in. */
  kappa: figure,
});
export type StationFigures = z.infer<typeof stationFigures>;

/** One sitting of an examination. */
export const sitting = z.object({
  examinationId: id,
  title: z.string(),
  cohort: z.string(),
  heldOn: z.string(),
  /** Candidates with a score at every station, and the mean of each over the stations. */
  scores: z.array(z.number()),
  facility: z.number().nullable(),
  /** What the newest decision required of the mean over the stations, and the share that failed it. */
  required: z.number().nullable(),
  failed: z.number().nullable(),
  stations: z.array(stationFigures),
});
export type SittingFigures = z.infer<typeof sitting>;

export const anchorFigures = z.object({
  stationId: id,
  otherStationId: id,
  title: z.string(),
  drift: estimate,
  beyondError: z.boolean(),
  /** False where it drifted and the comparison does not rest on it. */
  used: z.boolean(),
});

/** An examination beside the sittings that had stations in common with it, the newest first. */
export const years = z.object({
  sentence: z.string(),
  sittings: z.array(sitting),
  /** How this sitting stands to the one before it; `null` where there is none. */
  compared: z
    .object({
      otherExaminationId: id,
      cohort: estimate,
      paper: estimate,
      anchors: z.array(anchorFigures),
    })
    .nullable(),
});
export type Years = z.infer<typeof years>;

/** The share that an item earned on average, sitting by sitting. */
export const itemFigures = z.object({
  itemId: id,
  text: z.string(),
  /** The wording that it took the place of. */
  follows: id.nullable(),
  sittings: z.array(
    z.object({ examinationId: id, marks: z.int(), facility: z.number().nullable() }),
  ),
});

/** A station of the bank over its sittings, the newest first. */
export const stationYears = z.object({
  /** The result in words. */
  sentence: z.string(),
  bankStationId: id,
  title: z.string(),
  sittings: z.array(
    stationFigures.extend({ cohort: z.string(), heldOn: z.string(), examination: z.string() }),
  ),
  items: z.array(itemFigures),
});
export type StationYears = z.infer<typeof stationYears>;
