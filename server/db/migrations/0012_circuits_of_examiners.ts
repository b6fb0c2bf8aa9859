import type { Knex } from 'knex';

/** Circuits run side by side, and an examiner stands in one of them; null is in all of them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table station_examiner add column circuit text check (circuit <> '');
    comment on column station_examiner.circuit is 'the circuit whose candidates are marked; null is all';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
