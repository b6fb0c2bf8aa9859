import { RateLimiterPostgres } from 'rate-limiter-flexible';
import type { RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../db/database.ts';
import { HttpProblem } from '../http/problems.ts';

const TRIES_FOR_A_NAME = 8;
const TRIES_FROM_AN_ADDRESS = 100;
const TRIES_FOR_A_NAME_AFTER_THAT = 1;
const GUESSES_IN_A_SESSION = 8;
const LETTERS_TO_A_NAME = 3;
const LETTERS_FROM_AN_ADDRESS = 20;
const QUARTER_HOUR = 15 * 60;

/** What counts tries; each is counted before the password is looked at, so that none slips past. */
function counter(db: Database, keyPrefix: string): RateLimiterPostgres {
  return new RateLimiterPostgres({
    storeClient: db,
    storeType: 'knex',
    tableName: 'sign_in_attempt',
    tableCreated: true,
    clearExpiredByTimeout: false,
    keyPrefix,
    points: TRIES_FOR_A_NAME,
    duration: QUARTER_HOUR,
  });
}

/**
 * Counts a try to sign in, and refuses it where there were too many. Tries are counted by name and
 * address together. A whole school can sit behind one address: when that has used up its tries,
 * every name there still has one, so that whoever knows their password gets in.
 *
 * Answers with what takes the try back, for when the password was right.
 */
export async function countSignIn(
  db: Database,
  email: string,
  address: string,
): Promise<() => Promise<void>> {
  const names = counter(db, 'name');
  const addresses = counter(db, 'address');
  const name = `${address} ${email.trim().toLowerCase()}`.slice(0, 200);
  const byName = await names.penalty(name, 1);
  const byAddress = (await addresses.get(address))?.consumedPoints ?? 0;
  const allowed =
    byAddress >= TRIES_FROM_AN_ADDRESS ? TRIES_FOR_A_NAME_AFTER_THAT : TRIES_FOR_A_NAME;
  if (byName.consumedPoints > allowed) throw tooMany(byName, 'to sign in');
  await addresses.penalty(address, 1);
  return async () => {
    await names.delete(name);
    await addresses.reward(address, 1);
  };
}

/** Counts a guess at the present password of somebody who is signed in. */
export async function countGuess(db: Database, accountId: string): Promise<() => Promise<void>> {
  const guesses = counter(db, 'guess');
  const now = await guesses.penalty(accountId, 1);
  if (now.consumedPoints > GUESSES_IN_A_SESSION) throw tooMany(now, 'at the present password');
  return async () => {
    await guesses.delete(accountId);
  };
}

/** Counts that somebody asked for a new password: a mailbox is not to be filled by others. */
export async function countForgotten(db: Database, email: string, address: string): Promise<void> {
  const asked = counter(db, 'forgotten');
  const byEmail = await asked.penalty(email.slice(0, 200), 1);
  const byAddress = await asked.penalty(address, 1);
  if (byEmail.consumedPoints > LETTERS_TO_A_NAME) throw tooMany(byEmail, 'to get a letter');
  if (byAddress.consumedPoints > LETTERS_FROM_AN_ADDRESS)
    throw tooMany(byAddress, 'to get a letter');
}

function tooMany({ msBeforeNext }: RateLimiterRes, what: string): HttpProblem {
  const minutes = Math.max(1, Math.ceil(msBeforeNext / 60_000));
  return new HttpProblem(
    429,
    'too-many-attempts',
    `Too many attempts ${what}`,
    `Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, then try again.`,
  );
}
