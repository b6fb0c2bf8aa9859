import { STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import { z } from 'zod';
import { key } from './primitives.ts';

/** What of a station can be worked out again from a file. */
export const STATION_FIGURES = [
  'technique',
  'declared',
  'domain',
  'observability',
  'variant',
  'pair',
  'item',
  'limits',
  'scores',
  'cut',
] as const;

/** What of an examination can be. */
export const EXAMINATION_FIGURES = ['severity', 'trust', 'years', 'standard', 'sureness'] as const;

const place = z.coerce.number().int().min(0).max(100_000);

export const stationFigure = z.object({
  figure: z.enum(STATION_FIGURES),
  item: key.optional(),
  /** Which domain, way of knowing or variant. */
  name: z.string().max(400).optional(),
  /** Which two examiners, by their place among the pairs. */
  pair: place.optional(),
  /** By which method a cut is found; that of the settings unless said. */
  method: z.enum(STATION_METHODS).optional(),
});
export type StationFigure = z.infer<typeof stationFigure>;

export const examinationFigure = z.object({ figure: z.enum(EXAMINATION_FIGURES) });
export type ExaminationFigure = z.infer<typeof examinationFigure>;
/** The same with the place of the file, where there are two. */
export const examinationFile = examinationFigure.extend({ file: place.optional() });

/** The file that a figure comes from, and the command that gives it again. */
export const source = z.object({
  files: z.array(z.string()),
  /** As it is typed. */
  command: z.string(),
  /** The same word by word, as a program passes it on. */
  words: z.array(z.string()),
  /** Where the figures stand in what the command prints. */
  keys: z.array(z.string()),
});
export type Source = z.infer<typeof source>;
