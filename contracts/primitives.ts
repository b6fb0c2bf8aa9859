import { z } from 'zod';

/**
 * UUID of any version; those that we make are version 7, so that they sort by time. In capitals it
 * is the same id.
 */
export const id = z.uuid({ error: 'must be an id (a UUID)' }).toLowerCase();

/**
 * Text a person typed: trimmed, within `longest` characters, without the characters that neither
 * paper nor PostgreSQL can hold (NUL and other control characters, broken surrogate pairs).
 */
export function text(longest: number, shortest = 1) {
  return z
    .string()
    .trim()
    .min(shortest, shortest === 1 ? 'must not be empty' : `needs ${shortest} characters or more`)
    .max(longest, `must be ${longest} characters or fewer`)
    .refine(isPrintable, 'contains characters that cannot be stored');
}

/** Text that is kept as it was typed, spaces and all: what is on a device must be what is here. */
export function textAsTyped(longest: number) {
  return z
    .string()
    .max(longest, `must be ${longest} characters or fewer`)
    .refine(isPrintable, 'contains characters that cannot be stored');
}

/** A short key of our own making, as in checklists: lower-case words joined by hyphens. */
export const key = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'must be lower-case-with-hyphens')
  .max(60);

/** An instant in UTC, ISO 8601. */
export const instant = z.iso
  .datetime({ error: 'must be an instant such as 2026-11-24T09:30:00Z' })
  .refine(isInOurTime, 'must be in this age, from 1900 to 2199');

/** A calendar day, ISO 8601. */
export const day = z.iso
  .date({ error: 'must be a day such as 2026-11-24' })
  .refine(isInOurTime, 'must be in this age, from 1900 to 2199');

export const nothing = z.null();

/** A page of a list that can grow. */
export const page = z.object({
  offset: z.coerce.number().int().nonnegative().max(10_000_000).default(0),
  limit: z.coerce.number().int().min(1).max(200).default(100),
});

/** PostgreSQL knows no year 0, and nobody was examined before 1900. */
function isInOurTime(value: string): boolean {
  const year = Number(value.slice(0, 4));
  return year >= 1900 && year < 2200;
}

/** True where every character can be printed and stored; line breaks and tabs are welcome. */
export function isPrintable(value: string): boolean {
  return value.isWellFormed() && !/(?![\t\n\r\u0080-\u009f])\p{Cc}/u.test(value);
}
