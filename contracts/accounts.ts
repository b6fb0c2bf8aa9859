import { z } from 'zod';
import { id, text } from './primitives.ts';

export const ROLES = ['lead', 'examiner'] as const;
export const role = z.enum(ROLES);
export type Role = z.infer<typeof role>;

export const account = z.object({ id, email: z.string(), name: z.string(), role });
export type Account = z.infer<typeof account>;

const email = z.email('must be an e-mail address').max(254).toLowerCase();
const password = z
  .string()
  .min(12, 'needs 12 characters or more')
  .max(200, 'must be 200 characters or fewer');

export const signIn = z.object({ email: z.string().max(254), password: z.string().max(200) });
export type SignIn = z.infer<typeof signIn>;

export const newAccount = z.object({ email, name: text(120), password });
export type NewAccount = z.infer<typeof newAccount>;

export const passwordChange = z.object({ current: z.string().max(200), next: password });
export type PasswordChange = z.infer<typeof passwordChange>;

export const session = z.object({
  account: account.nullable(),
  csrfToken: z.string(),
  /** True on a fresh installation, where the first lead account is still to be made. */
  needsFirstLead: z.boolean(),
});
export type Session = z.infer<typeof session>;
