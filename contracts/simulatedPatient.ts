import { z } from 'zod';
import { key } from './primitives.ts';

/** What the simulated patient has; the key of the checklist and the script follow from it. */
export const simulatedPatient = z
  .object({
    condition: key,
    side: z.enum(['left', 'right']),
    /** How far, where it is to be another degree than the condition says: 1 to 3. */
    degree: z.int().min(1).max(3).nullable(),
    /** A second condition, on the same side. */
    also: key.exactOptional(),
    /** The muscles tense as soon as force begins. */
    guards: z.literal(true).exactOptional(),
    /** Both sides are looser than usual, alike. */
    loose: z.literal(true).exactOptional(),
    /**
     * The station is made for it: a procedure that must not be done on this patient is to be recognised
     * and left undone. Without it such a station is refused.
     */
    refrain: z.literal(true).exactOptional(),
  })
  .refine(({ condition, also }) => also !== condition, {
    path: ['also'],
    error: 'is the condition itself; choose another, or none',
  });
