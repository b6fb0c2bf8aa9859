import { z } from 'zod';
import { id, instant } from './primitives.ts';

/** A change of what is the house’s: a room, a simulated patient, equipment, what somebody may examine. */
export const houseChange = z.discriminatedUnion('of', [
  z.object({ of: z.literal('regions'), accountId: id, regions: z.array(z.string()).nullable() }),
  z.object({
    of: z.literal('patient'),
    /** `null` for somebody new. */
    id: id.nullable(),
    name: z.string(),
    barred: z.array(z.string()),
    mostInARow: z.int().nullable(),
    retired: z.boolean(),
  }),
  z.object({ of: z.literal('room'), id: id.nullable(), name: z.string(), couches: z.int() }),
  z.object({ of: z.literal('no room'), id, name: z.string() }),
  z.object({ of: z.literal('equipment'), what: z.string(), pieces: z.int().nullable() }),
]);
export type HouseChange = z.infer<typeof houseChange>;

/** What a lead wants changed, until somebody of the office has decided. */
export const houseProposal = z.object({
  id,
  /** The change in a sentence. */
  words: z.string(),
  /** For which examination. */
  examination: z.string(),
  madeBy: z.string(),
  madeAt: instant,
});
export type HouseProposal = z.infer<typeof houseProposal>;

export const houseDecision = z.object({ take: z.boolean() });
