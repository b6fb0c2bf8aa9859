import { z } from 'zod';
import { id, instant, isPrintable, text } from './primitives.ts';

/** What somebody does here; one person may hold several. */
export const ROLES = ['administrator', 'office', 'lead', 'examiner', 'judge'] as const;
export const role = z.enum(ROLES);
export type Role = z.infer<typeof role>;

const someRoles = z
  .array(role)
  .min(1, 'needs a role')
  .transform((roles) => ROLES.filter((known) => roles.includes(known)));

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

/** The first account, with the word that whoever started the installation was shown. */
export const firstAccount = newAccount.extend({ word: text(40) });
export type FirstAccount = z.infer<typeof firstAccount>;

/** Somebody who is to choose a password by a link. */
export const invitation = z.object({ email, name: text(120), roles: someRoles });
export type Invitation = z.infer<typeof invitation>;

export const passwordChange = z.object({ current: printable(200), next: password });
export type PasswordChange = z.infer<typeof passwordChange>;

export const session = z.object({
  account: account.nullable(),
  csrfToken: z.string(),
  /** True on a fresh installation, where the first account is still to be made. */
  needsFirstAdministrator: z.boolean(),
  /** Whether letters leave here, so that a forgotten password can be asked for. */
  sendsLetters: z.boolean(),
});
export type Session = z.infer<typeof session>;

/** An account as administrators see it. */
export const person = account.extend({
  /** Nobody can sign in with it until its owner has chosen a password. */
  invited: z.boolean(),
  disabledAt: instant.nullable(),
});
export type Person = z.infer<typeof person>;

/** Somebody who was given a link; where no letter leaves, the link, told this once, to be passed on. */
export const invited = z.object({ person, passOn: z.url().nullable() });
export type Invited = z.infer<typeof invited>;

/** Examiners who are invited together: all of them or nobody. */
export const examinersInvited = z.object({
  people: z
    .array(invitation.omit({ roles: true }))
    .min(1, 'names nobody')
    .max(200),
});
export type ExaminersInvited = z.infer<typeof examinersInvited>;
/** What became of each: `known` had an account already, and takes part from now on. */
export const examinersJoined = z.object({
  joined: z.array(
    z.object({
      name: z.string(),
      email: z.string(),
      known: z.boolean(),
      passOn: z.url().nullable(),
    }),
  ),
});
export type ExaminersJoined = z.infer<typeof examinersJoined>;

export const forgottenPassword = z.object({ email });

export const rolesChange = z.object({ roles: someRoles });
export const disabling = z.object({ disabled: z.boolean() });

/** The secret part of a link. */
const token = z.string().regex(/^[\w-]{20,100}$/, 'is not the text of a link');
export const linkLook = z.object({ token });
/** Whom a link is for, and how long it holds. */
export const openedLink = z.object({ name: z.string(), email: z.string(), expiresAt: instant });
export type OpenedLink = z.infer<typeof openedLink>;
export const chosenPassword = z.object({ token, password });
export type ChosenPassword = z.infer<typeof chosenPassword>;

/** That somebody was written to, and what became of it; what it says is not told with it. */
export const letter = z.object({
  id,
  recipient: z.string(),
  subject: z.string(),
  /** What its link is for; `null` for letters of before. */
  purpose: z.enum(['invitation', 'new-password', 'panel-seat', 'feedback']).nullable(),
  writtenAt: instant,
  sentAt: instant.nullable(),
  problem: z.string().nullable(),
  /** Not gone yet, and its link still holds. */
  waits: z.boolean(),
  link: z.enum(['holds', 'used', 'revoked', 'expired']).nullable(),
});
export type Letter = z.infer<typeof letter>;
export const post = z.object({
  /** False where no mail server is set: whoever makes a link passes it on. */
  sends: z.boolean(),
  letters: z.array(letter),
});
export type Post = z.infer<typeof post>;
export const MAYS = ['lead', 'read'] as const;
/** Who leads an examination, and who may read it. */
export const examinationLead = z.object({
  accountId: id,
  name: z.string(),
  email: z.string(),
  may: z.enum(MAYS),
});
export type ExaminationLead = z.infer<typeof examinationLead>;
export const examinationLeads = z.object({
  leads: z
    .array(z.object({ accountId: id, may: z.enum(MAYS) }))
    .max(50)
    .refine((list) => list.some((one) => one.may === 'lead'), 'needs somebody who leads')
    .refine(
      (list) => new Set(list.map((one) => one.accountId)).size === list.length,
      'names somebody twice',
    ),
});
export type ExaminationLeads = z.infer<typeof examinationLeads>;
