import type { Account, Person, Role } from '@kritikos/contracts/accounts';
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
): Promise<(Account & { passwordHash: string | null }) | undefined> {
  return db('account')
    .where({ email: email.trim().toLowerCase(), disabled_at: null })
    .first(...columns, 'password_hash as passwordHash');
}

export async function passwordHashOf(db: Database, id: string): Promise<string | null> {
  const row = await db('account').where({ id }).first('password_hash');
  return row.password_hash;
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

/** Makes an account, as far as whoever makes it may; see `make_account` in the twenty-fifth migration. */
export async function insertAccount(
  db: Database,
  account: Account & { readonly passwordHash: string | null },
  maker: string | null,
): Promise<void> {
  await db.raw('select make_account(:id, :email, :name, :roles, :passwordHash, :maker)', {
    ...account,
    maker,
  });
}

export async function updatePassword(db: Database, id: string, hash: string): Promise<void> {
  await db('account').where({ id }).update({ password_hash: hash });
}

const PERSON = `select id, email, name, roles, password_hash is null as invited,
  disabled_at as "disabledAt" from account`;

function personOf(row: Omit<Person, 'disabledAt'> & { disabledAt: Date | null }): Person {
  return { ...row, disabledAt: row.disabledAt?.toISOString() ?? null };
}

/** Everybody, those who may sign in first. */
export async function listPeople(db: Database): Promise<Person[]> {
  const { rows } = await db.raw(`${PERSON} order by disabled_at is not null, name, id limit 2000`);
  return rows.map(personOf);
}

/** Whose address this is, disabled or not. */
export async function findByEmail(db: Database, email: string): Promise<Person | undefined> {
  const { rows } = await db.raw(`${PERSON} where email = ?`, [email]);
  return rows[0] && personOf(rows[0]);
}

export async function findPerson(db: Database, id: string): Promise<Person | undefined> {
  const { rows } = await db.raw(`${PERSON} where id = ?`, [id]);
  return rows[0] && personOf(rows[0]);
}

export async function updateRoles(
  db: Database,
  id: string,
  roles: Role[],
  giver: string,
): Promise<void> {
  await db.raw('select change_roles(:id, :roles, :giver)', { id, roles, giver });
}

export async function setDisabled(
  db: Database,
  id: string,
  disabled: boolean,
  actor: string,
): Promise<void> {
  await db.raw('select set_disabled(:id, :disabled, :actor)', { id, disabled, actor });
}
