import type {
  Account,
  FirstAccount,
  NewAccount,
  PasswordChange,
  Role,
  SignIn,
} from '@kritikos/contracts/accounts';
import { hash, verify } from '@node-rs/argon2';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem, invalid } from '../http/problems.ts';
import { endSessions } from '../http/sessionStore.ts';
import type { House } from '../http/route.ts';
import { isFirstWord } from './firstWord.ts';
import { whyTooEasy } from './commonPassword.ts';
import { countGuess, countSignIn } from './limits.ts';
import * as accounts from './repository.ts';

// Argon2id with 19 MiB, two passes and one lane: OWASP's recommendation for password storage.
const ARGON2ID = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

// Somebody who does not exist takes as long to refuse as somebody who does.
const nobody = hash('nobody signs in with this', ARGON2ID);

/** Signs somebody in, or says no without telling whether the name or the password was wrong. */
export async function signIn(db: Database, attempt: SignIn, address: string): Promise<Account> {
  const takeBack = await countSignIn(db, attempt.email, address);
  const found = await accounts.findCredentials(db, attempt.email);
  const matches = await verify(found?.passwordHash ?? (await nobody), attempt.password);
  if (!found || !matches) {
    await recordAction(db, {
      accountId: found?.id ?? null,
      action: 'sign-in failed',
      detail: { email: attempt.email, address },
    });
    throw new HttpProblem(
      401,
      'bad-credentials',
      'E-mail and password do not match',
      'Check both and try again. An administrator can send you a link for a new password.',
    );
  }
  await takeBack();
  const { id, email, name, roles } = found;
  await recordAction(db, { accountId: id, action: 'signed in', subject: id, detail: { address } });
  return { id, email, name, roles };
}

export async function signOut(db: Database, account: Account): Promise<void> {
  await recordAction(db, { accountId: account.id, action: 'signed out', subject: account.id });
}

/** The hash of a password that somebody chose; refuses one that is easily guessed. */
export async function hashChosen(
  password: string,
  field: string,
  person: Pick<Account, 'email' | 'name'>,
): Promise<string> {
  await refuseEasyPassword(password, field, person);
  return hash(password, ARGON2ID);
}

async function refuseEasyPassword(
  password: string,
  field: string,
  person: Pick<Account, 'email' | 'name'>,
): Promise<void> {
  const why = await whyTooEasy(password, [person.email, ...person.name.split(/\s+/)]);
  if (why) throw invalid([{ pointer: `/${field}`, detail: why }]);
}

/**
 * Makes the very first account: an administrator, who may lead examinations too. Works once, on an
 * empty installation, for whoever has the word that was shown at its start.
 */
export async function createFirstAdministrator(
  db: Database,
  { secretKey }: House,
  { word, ...person }: FirstAccount,
  address: string,
): Promise<Account> {
  // Once there is somebody, asking again costs no more than looking.
  if (await accounts.hasAnyAccount(db)) throw madeAlready();
  const takeBack = await countSignIn(db, 'the first account', address);
  if (!isFirstWord(secretKey, word)) {
    const detail = 'is not the one that was printed when the server was started';
    throw invalid([{ pointer: '/word', detail }]);
  }
  await takeBack();
  const passwordHash = await hashChosen(person.password, 'password', person);
  return db.transaction(async (trx) => {
    await trx.raw(`select pg_advisory_xact_lock(hashtext('the first account'))`);
    if (await accounts.hasAnyAccount(trx)) throw madeAlready();
    return store(trx, person, ['administrator', 'lead'], passwordHash, null);
  });
}

function madeAlready(): HttpProblem {
  return conflict(
    'The first account was made already',
    'Sign in with it, or ask the lead for an account.',
  );
}

/** Makes an account with a password at once: for demo data and tests; people are invited. */
export async function createAccount(
  db: Database,
  person: NewAccount,
  roles: Role[],
  by: Account | null,
): Promise<Account> {
  if (await accounts.findCredentials(db, person.email)) {
    throw invalid([{ pointer: '/email', detail: 'has an account already' }]);
  }
  const passwordHash = await hashChosen(person.password, 'password', person);
  return db.transaction((trx) => store(trx, person, roles, passwordHash, by?.id ?? null));
}

async function store(
  db: Database,
  person: NewAccount,
  roles: Role[],
  passwordHash: string,
  by: string | null,
): Promise<Account> {
  const account = { id: newId(), email: person.email, name: person.name, roles };
  await accounts.insertAccount(db, { ...account, passwordHash }, by);
  await recordAction(db, { accountId: by, action: 'account created', subject: account.id });
  return account;
}

/** Somebody changes their own password, knowing the old one; every session of theirs ends. */
export async function changePassword(
  db: Database,
  account: Account,
  change: PasswordChange,
): Promise<void> {
  const takeBack = await countGuess(db, account.id);
  const known = await accounts.passwordHashOf(db, account.id);
  if (!(await verify(known ?? (await nobody), change.current))) {
    throw invalid([{ pointer: '/current', detail: 'is not your present password' }]);
  }
  await takeBack();
  const passwordHash = await hashChosen(change.next, 'next', account);
  await db.transaction(async (trx) => {
    await accounts.updatePassword(trx, account.id, passwordHash);
    await endSessions(trx, account.id);
    await recordAction(trx, {
      accountId: account.id,
      action: 'password changed',
      subject: account.id,
    });
  });
}
