import { z } from 'zod';
import { checklistVersion } from './checklists.ts';
import { id, instant } from './primitives.ts';

/** What an examiner reads and confirms before marking a station. */
export const briefing = z.object({
  stationId: id,
  title: z.string(),
  minutes: z.int(),
  checklist: checklistVersion,
  confirmedAt: instant.nullable(),
});
export type Briefing = z.infer<typeof briefing>;

export const confirmations = z.array(
  z.object({
    stationId: id,
    position: z.int(),
    station: z.string(),
    examinerId: id,
    examiner: z.string(),
    confirmedAt: instant.nullable(),
  }),
);
export type Confirmations = z.infer<typeof confirmations>;
