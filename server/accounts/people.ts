import type {
  Account,
  ChosenPassword,
  Invitation,
  Invited,
  OpenedLink,
  Person,
  Role,
} from '@kritikos/contracts/accounts';
import { setTimeout } from 'node:timers/promises';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem, invalid, notFound } from '../http/problems.ts';
import { endSessions } from '../http/sessionStore.ts';
import type { House } from '../http/route.ts';
import { LINK, writeLetter } from '../post/letters.ts';
import { revokeLinks, useLink } from './linkRepository.ts';
import { makeLink, requireLink } from './links.ts';
import * as accounts from './repository.ts';
import { countForgotten } from './limits.ts';
import { hashChosen } from './service.ts';

/** Milliseconds; finding nobody is quicker than writing a letter, and both are quicker than this. */
const LONGER_THAN_WRITING = 400;

/** Makes an account whose owner chooses the password by a link, and writes the letter with it. */
export async function invite(
  db: Database,
  { email, name, roles }: Invitation,
  by: Account,
  house: House,
): Promise<Invited> {
  if (await accounts.findByEmail(db, email)) {
    throw invalid([{ pointer: '/email', detail: 'has an account already' }]);
  }
  return db.transaction((trx) => inviteOne(trx, { email, name, roles }, by, house));
}

/** As one of several, in the transaction of all of them. */
export async function inviteOne(
  trx: Database,
  { email, name, roles }: Invitation,
  by: Account,
  house: House,
): Promise<Invited> {
  const id = newId();
  await accounts.insertAccount(trx, { id, email, name, roles, passwordHash: null }, by.id);
  await recordAction(trx, {
    accountId: by.id,
    action: 'account invited',
    subject: id,
    detail: { roles },
  });
  const person = await requirePerson(trx, id);
  return { person, passOn: await writeTo(trx, person, by, house) };
}

/** Sends the invitation again, or where a password was chosen already, a link for a new one. */
export async function sendLink(
  db: Database,
  id: string,
  by: Account,
  house: House,
): Promise<Invited> {
  return db.transaction(async (trx) => {
    const person = await requirePerson(trx, id);
    if (person.disabledAt !== null) {
      throw conflict('This account is disabled', 'Enable it first, then send the link.');
    }
    const passOn = await writeTo(trx, person, by, house);
    await recordAction(trx, { accountId: by.id, action: 'link sent', subject: id });
    return { person, passOn };
  });
}

/**
 * Writes a letter for a new password to whoever has an account with this address, and says to nobody
 * whether there is one: not in the answer, nor by how long it takes.
 */
export async function askForPassword(
  db: Database,
  email: string,
  address: string,
  house: House,
): Promise<null> {
  if (!house.sends) {
    throw conflict(
      'No letters leave here',
      'Ask an administrator for a link; they make it under People.',
    );
  }
  await countForgotten(db, email, address);
  const answered = setTimeout(LONGER_THAN_WRITING);
  await db.transaction(async (trx) => {
    const person = await accounts.findByEmail(trx, email);
    if (!person || person.disabledAt !== null) return;
    await writeTo(trx, person, null, house);
    await recordAction(trx, {
      accountId: null,
      action: 'new password asked for',
      subject: person.id,
    });
  });
  await answered;
  return null;
}

/** Writes the letter with the link; answers with the link where no letter leaves. */
async function writeTo(
  trx: Database,
  to: Person,
  by: Account | null,
  house: House,
): Promise<string | null> {
  const purpose = to.invited ? 'invitation' : 'new-password';
  const { id: linkId, token } = await makeLink(trx, purpose, to.id, by?.id ?? null);
  const [subject, sentence] = to.invited
    ? [
        'Your account in Kritikos',
        `${by?.name ?? 'Somebody'} has made an account for you (${to.roles.join(', ')}).`,
      ]
    : [
        'A new password for Kritikos',
        by
          ? `${by.name} has asked for a new password for you.`
          : 'Somebody has asked for a new password with this address. If it was not you, leave this letter: your password holds.',
      ];
  const link = `${house.door}/welcome#${token}`;
  await writeLetter(trx, house, {
    linkId,
    link,
    recipient: to.email,
    subject,
    body: [
      `Dear ${to.name},`,
      '',
      `${sentence} Choose a password here:`,
      '',
      LINK,
      '',
      to.invited
        ? 'The link holds for seven days and works once.'
        : 'The link holds for a day and works once.',
    ].join('\n'),
  });
  return house.sends ? null : link;
}

const BY_LINK = ['invitation', 'new-password'] as const;

/** Whom a link is for; looking does not use it up. */
export async function lookAtLink(db: Database, token: string): Promise<OpenedLink> {
  const link = await requireLink(db, BY_LINK, token);
  const { name, email } = await requireEnabled(db, link.subject);
  return { name, email, expiresAt: link.expiresAt };
}

/** Sets the password that somebody chose by their link, ends other sessions, and uses the link up. */
export async function choosePassword(
  db: Database,
  { token, password }: ChosenPassword,
): Promise<Account> {
  const link = await requireLink(db, BY_LINK, token);
  const person = await requireEnabled(db, link.subject);
  const passwordHash = await hashChosen(password, 'password', person);
  return db.transaction(async (trx) => {
    await requireEnabled(trx, person.id);
    if (!(await useLink(trx, link.id))) {
      throw conflict('This link was used meanwhile', 'Sign in with the password that was chosen.');
    }
    await accounts.updatePassword(trx, person.id, passwordHash);
    await endSessions(trx, person.id);
    await recordAction(trx, {
      accountId: person.id,
      action: 'password chosen by link',
      subject: person.id,
    });
    const { id, email, name, roles } = person;
    return { id, email, name, roles };
  });
}

async function requireEnabled(db: Database, id: string): Promise<Person> {
  const person = await requirePerson(db, id);
  if (person.disabledAt === null) return person;
  throw new HttpProblem(
    410,
    'gone',
    'This account is disabled',
    'Its links hold no longer. Ask an administrator.',
  );
}

export async function requirePerson(db: Database, id: string): Promise<Person> {
  const found = await accounts.findPerson(db, id);
  if (!found) throw notFound('account');
  return found;
}

/** Gives and takes roles. Whoever is signed in has them from the next request on. */
export async function changeRoles(
  db: Database,
  id: string,
  roles: Role[],
  by: Account,
  hints: Hints,
): Promise<Person> {
  return db.transaction(async (trx) => {
    const before = await requirePerson(trx, id);
    await keepAnAdministrator(() => accounts.updateRoles(trx, id, roles, by.id));
    await recordAction(trx, {
      accountId: by.id,
      action: 'roles changed',
      subject: id,
      detail: { before: before.roles, after: roles },
    });
    await hints.accountChanged(trx, id);
    return requirePerson(trx, id);
  });
}

/** Disables an account, whose sessions and streams end at once, or enables it again. */
export async function setDisabled(
  db: Database,
  id: string,
  disabled: boolean,
  by: Account,
  hints: Hints,
): Promise<Person> {
  return db.transaction(async (trx) => {
    await requirePerson(trx, id);
    await keepAnAdministrator(() => accounts.setDisabled(trx, id, disabled, by.id));
    if (disabled) {
      await endSessions(trx, id);
      for (const purpose of BY_LINK) await revokeLinks(trx, purpose, id);
    }
    await recordAction(trx, {
      accountId: by.id,
      action: disabled ? 'account disabled' : 'account enabled',
      subject: id,
    });
    await hints.accountChanged(trx, id);
    return requirePerson(trx, id);
  });
}

/** The database refuses to lose the last administrator; that is said in words. */
async function keepAnAdministrator(change: () => Promise<void>): Promise<void> {
  try {
    await change();
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    if (code !== '23001' || !message.includes('last administrator')) throw error;
    throw conflict(
      'This is the last administrator',
      'Make somebody else an administrator first; without one nobody could give roles any more.',
    );
  }
}
