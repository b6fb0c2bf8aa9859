import { z } from 'zod';
import { ROLES } from '../accounts.ts';
import type { ByRight, Owned } from '../contract.ts';

/** A row or column of a table, from 0. */
export const place = z.coerce.number().int().min(0).max(60);

export const SIGNED_IN = { roles: ROLES } as const;
export const ADMINISTRATOR = { roles: ['administrator'] } as const;
/** Whom the house names to change what is its own. */
export const OFFICE = { roles: ['office', 'administrator'] } as const;
export const LEAD = { roles: ['lead'] } as const;
export const EXAMINER = { roles: ['examiner'] } as const;

/** Whoever leads the examination that the thing is of. */
export const leads = (whose: Owned): ByRight => ({ roles: ['lead'], whose, may: ['lead'] });
/** Whoever leads that examination, or may read it. */
export const reads = (whose: Owned): ByRight => ({ roles: ['lead'], whose, may: ['read'] });
/** The examiner of the station or of the sheet. */
export const marks = (whose: 'station' | 'sheet'): ByRight => ({
  roles: ['examiner'],
  whose,
  may: ['mark'],
});
