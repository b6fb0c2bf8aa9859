import type { z } from 'zod';
import { invalid, notFound } from './problems.ts';

/** So many faults are named; a body with more is wrong from the ground up. */
export const MOST_NAMED = 50;

/** Reads a part of a request by its contract: its path, its query, or its body (`''`). */
export function readPart(schema: z.ZodType | undefined, value: unknown, where: string): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value ?? {});
  if (result.success) return result.data;
  // An id that is no id cannot name anything; to the caller that is simply not there.
  if (where === 'path') throw notFound('page');
  throw invalid(
    result.error.issues.slice(0, MOST_NAMED).map((issue) => ({
      pointer: `${where ? `/${where}` : ''}/${issue.path.map(String).join('/')}`,
      detail: issue.message,
    })),
  );
}
