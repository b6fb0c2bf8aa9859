import type { Account, Role } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';

const columns = ['id', 'email', 'name', 'roles'] as const;

export async function findAccount(db: Database, id: string): Promise<Account | undefined> {
  return db('account')
    .where({ id, disabled_at: null })
    .first(...columns);
}

export async function findCredentials(
  db: Database,
  email: string,
): Promise<(Account & { passwordHash: string }) | undefined> {
  return db('account')
    .where({ email: email.trim().toLowerCase(), disabled_at: null })
    .first(...columns, 'password_hash as passwordHash');
}

export async function passwordHashOf(db: Database, id: string): Promise<string> {
  const row = await db('account').where({ id }).first('password_hash');
  return row.password_hash as string;
}

/** Everybody who holds the role and may sign in. */
export async function accountsWith(db: Database, role: Role): Promise<Account[]> {
  return db('account')
    .where({ disabled_at: null })
    .whereRaw('? = any(roles)', [role])
    .orderBy('name')
    .select(...columns);
}

export async function hasAnyAccount(db: Database): Promise<boolean> {
  return (await db('account').first('id')) !== undefined;
}

export async function insertAccount(
  db: Database,
  account: Account & { passwordHash: string },
): Promise<void> {
  const { passwordHash, ...rest } = account;
  await db('account').insert({ ...rest, password_hash: passwordHash });
}

export async function updatePassword(db: Database, id: string, hash: string): Promise<void> {
  await db('account').where({ id }).update({ password_hash: hash });
}
