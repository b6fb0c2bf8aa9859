import type { Knex } from 'knex';

/**
 * A letter keeps the secret that it carries no longer than it must: sealed under a key that is not in
 * the database until it has left, or until its link holds no more. What stays says to whom it was,
 * what for, and what became of its link.
 *
 * Letters of before carried their links in plain text. The secret part is taken out of them; what had
 * not left by then is sent again by whoever wants it to arrive.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table letter
      add column link_id uuid references link,
      add column sealed bytea;
    update letter set body = regexp_replace(body, '#[A-Za-z0-9_-]{20,}', '#(taken out)', 'g');
    update letter set problem = 'It was written before letters were sealed. Send the link again.'
      where sent_at is null;
    comment on column letter.body is 'with {link} where the link stands';
    comment on column letter.sealed is
      'the link, under a key that is not here (AES-256-GCM, nonce and tag before it); gone once the letter has left or the link holds no more';
    alter table letter
      add constraint letter_sealed_for_its_link check (sealed is null or link_id is not null),
      add constraint letter_sealed_until_it_left check (sent_at is null or sealed is null);
    create index letter_link on letter (link_id);

    create function link_holds_no_more() returns trigger language plpgsql as $$
    begin
      update letter set sealed = null where link_id = new.id and sealed is not null;
      return null;
    end $$;
    create trigger link_ends after update of used_at, revoked_at on link for each row
      when (new.used_at is not null or new.revoked_at is not null)
      execute function link_holds_no_more();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
