import { z } from 'zod';
import { key } from './primitives.ts';

/** What the simulated patient has; the key of the checklist and the script follow from it. */
export const simulatedPatient = z.object({
  condition: key,
  side: z.enum(['left', 'right']),
  /** How far, where it is to be another degree than the condition says: 1 to 3. */
  degree: z.int().min(1).max(3).nullable(),
});
