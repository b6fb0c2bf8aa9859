import { z } from 'zod';
import { procedureSchema } from './openCatalogue.ts';
import { id, instant } from './primitives.ts';

/** A procedure of the school's own, as it stands on its shelf. */
export const shelfProcedure = z.object({
  id,
  version: z.int(),
  retired: z.boolean(),
  broughtBy: z.string(),
  broughtAt: instant,
  /** Stations of the bank that ask it. */
  stations: z.int(),
  procedure: procedureSchema,
});
export type ShelfProcedure = z.infer<typeof shelfProcedure>;

const MOST_AT_ONCE = 60;
/** Procedures of a file in the open format of the catalogue, for the shelf. */
export const broughtProcedures = z.object({
  procedures: z
    .array(procedureSchema)
    .min(1)
    .max(MOST_AT_ONCE, `at most ${MOST_AT_ONCE} at once; part the file`)
    .superRefine((procedures, context) => {
      for (const [i, { id: name }] of procedures.entries()) {
        if (procedures.findIndex((other) => other.id === name) === i) continue;
        context.addIssue({ code: 'custom', path: [i, 'id'], message: `names ${name} twice` });
      }
    }),
});

/** What is unsound in a procedure: where, why, and the nearest thing that would do. */
export const unsound = z.object({
  path: z.string(),
  reason: z.string(),
  nearest: z.string().nullable(),
  instead: z.union([z.string(), z.number()]).nullable(),
});

/** What bringing procedures in would do, one by one. */
export const shelfReport = z.array(
  z.object({
    procedure: z.string(),
    title: z.string(),
    /** The version that it would be; where nothing changed, the one that it is. */
    version: z.int(),
    state: z.enum(['new', 'changed', 'same']),
    unsound: z.array(unsound),
  }),
);
export type ShelfReport = z.infer<typeof shelfReport>;
