import { z } from 'zod';
import { id, isPrintable, text } from './primitives.ts';

/** What somebody does here; one person may hold several. */
export const ROLES = ['administrator', 'lead', 'examiner', 'judge'] as const;
export const role = z.enum(ROLES);
export type Role = z.infer<typeof role>;

export const account = z.object({
  id,
  email: z.string(),
  name: z.string(),
  roles: z.array(role),
});
export type Account = z.infer<typeof account>;

const email = z.email('must be an e-mail address').max(254).toLowerCase();
const printable = (longest: number) =>
  z.string().max(longest).refine(isPrintable, 'contains characters that cannot be stored');
const password = z
  .string()
  .min(12, 'needs 12 characters or more')
  .max(200, 'must be 200 characters or fewer')
  .refine(isPrintable, 'contains characters that cannot be stored');

export const signIn = z.object({ email: printable(254), password: printable(200) });
export type SignIn = z.infer<typeof signIn>;

export const newAccount = z.object({ email, name: text(120), password });
export type NewAccount = z.infer<typeof newAccount>;

export const passwordChange = z.object({ current: printable(200), next: password });
export type PasswordChange = z.infer<typeof passwordChange>;

export const session = z.object({
  account: account.nullable(),
  csrfToken: z.string(),
  /** True on a fresh installation, where the first account is still to be made. */
  needsFirstAdministrator: z.boolean(),
});
export type Session = z.infer<typeof session>;
