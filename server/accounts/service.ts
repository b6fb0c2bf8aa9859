import type {
  Account,
  NewAccount,
  PasswordChange,
  Role,
  SignIn,
} from '@kritikos/contracts/accounts';
import { hash, verify } from '@node-rs/argon2';
import { RateLimiterPostgres } from 'rate-limiter-flexible';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem, invalid } from '../http/problems.ts';
import * as accounts from './repository.ts';

// Argon2id with 19 MiB, two passes and one lane: OWASP's recommendation for password storage.
const ARGON2ID = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

// Somebody who does not exist takes as long to refuse as somebody who does.
const nobody = hash('nobody signs in with this', ARGON2ID);

const FAILURES_PER_ADDRESS_AND_NAME = 8;
const FAILURES_PER_ADDRESS = 100;
const QUARTER_HOUR = 15 * 60;

/** Signs somebody in, or says no without telling whether the name or the password was wrong. */
export async function signIn(db: Database, attempt: SignIn, address: string): Promise<Account> {
  const limits = failureLimits(db);
  const keys = [`${address} ${attempt.email.trim().toLowerCase()}`.slice(0, 200), address];
  for (const [i, limit] of limits.entries()) {
    const used = await limit.get(keys[i] as string);
    if (used && used.consumedPoints >= limit.points) throw tooMany(used.msBeforeNext);
  }
  const found = await accounts.findCredentials(db, attempt.email);
  const matches = await verify(found?.passwordHash ?? (await nobody), attempt.password);
  if (!found || !matches) {
    for (const [i, limit] of limits.entries()) await limit.penalty(keys[i] as string, 1);
    throw new HttpProblem(
      401,
      'bad-credentials',
      'E-mail and password do not match',
      'Check both and try again. A lead can set a new password for an examiner.',
    );
  }
  await (limits[0] as RateLimiterPostgres).delete(keys[0] as string);
  const { id, email, name, role } = found;
  return { id, email, name, role };
}

function failureLimits(db: Database): RateLimiterPostgres[] {
  const limit = (keyPrefix: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: db,
      storeType: 'knex',
      tableName: 'sign_in_attempt',
      tableCreated: true,
      clearExpiredByTimeout: false,
      keyPrefix,
      points,
      duration: QUARTER_HOUR,
    });
  return [limit('name', FAILURES_PER_ADDRESS_AND_NAME), limit('address', FAILURES_PER_ADDRESS)];
}

function tooMany(milliseconds: number): HttpProblem {
  const minutes = Math.max(1, Math.ceil(milliseconds / 60_000));
  return new HttpProblem(
    429,
    'too-many-attempts',
    'Too many attempts to sign in',
    `Wait ${minutes} minutes, then try again.`,
  );
}

/** Makes the very first account, a lead. Works once, on an empty installation. */
export async function createFirstLead(db: Database, person: NewAccount): Promise<Account> {
  const passwordHash = await hash(person.password, ARGON2ID);
  return db.transaction(async (trx) => {
    await trx.raw('lock table account in share row exclusive mode');
    if (await accounts.hasAnyAccount(trx)) {
      throw conflict(
        'The first account was made already',
        'Sign in with it, or ask the lead for an account.',
      );
    }
    return store(trx, person, 'lead', passwordHash, null);
  });
}

/** A lead makes an account for a colleague, with a password to be changed by its owner. */
export async function createAccount(
  db: Database,
  person: NewAccount,
  role: Role,
  by: Account | null,
): Promise<Account> {
  if (await accounts.findCredentials(db, person.email)) {
    throw invalid([{ pointer: '/email', detail: 'has an account already' }]);
  }
  const passwordHash = await hash(person.password, ARGON2ID);
  return db.transaction((trx) => store(trx, person, role, passwordHash, by?.id ?? null));
}

async function store(
  db: Database,
  person: NewAccount,
  role: Role,
  passwordHash: string,
  by: string | null,
): Promise<Account> {
  const account = { id: newId(), email: person.email, name: person.name, role };
  await accounts.insertAccount(db, { ...account, passwordHash });
  await recordAction(db, { accountId: by, action: 'account created', subject: account.id });
  return account;
}

/** Somebody changes their own password, knowing the old one. */
export async function changePassword(
  db: Database,
  account: Account,
  change: PasswordChange,
): Promise<void> {
  if (!(await verify(await accounts.passwordHashOf(db, account.id), change.current))) {
    throw invalid([{ pointer: '/current', detail: 'is not your present password' }]);
  }
  const passwordHash = await hash(change.next, ARGON2ID);
  await db.transaction(async (trx) => {
    await accounts.updatePassword(trx, account.id, passwordHash);
    await recordAction(trx, {
      accountId: account.id,
      action: 'password changed',
      subject: account.id,
    });
  });
}
