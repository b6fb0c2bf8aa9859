import { procedureById } from '@kritikos/catalogue/procedures';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo', [], { mayFail: true });

it('is made with its draft or not at all, where the file is unfinished', async () => {
  const lead = await server.lead();
  const ober = procedureById('ober') as Procedure;
  const checklist = { ...liftChecklist({ ...ober, title: 'Ober' }), stopRule: '' };
  const sent = { title: 'Half a station', minutes: 7, checklist };
  const counted = async () => ({
    stations: Number((await server.db('bank_station').count('* as n'))[0]?.n),
    checklists: Number((await server.db('checklist').count('* as n'))[0]?.n),
    drafts: Number((await server.db('draft').count('* as n'))[0]?.n),
  });
  const before = await counted();
  // The database gives out at the very last step, when the file's changes are written.
  await server.db.raw(`
    create function give_out() returns trigger language plpgsql as
      $$ begin raise exception 'gives out'; end $$;
    create trigger gives_out before insert on draft_change
      for each row when (new.sequence > 0) execute function give_out();`);
  const failed = await lead.call('POST', '/bank-stations/files', sent);
  expect(failed.status).toBe(500);
  expect(await counted()).toEqual(before);
  await server.db.raw('drop trigger gives_out on draft_change');
  const { body } = await lead.call('POST', '/bank-stations/files', sent).expect(200);
  expect(body.draftId).not.toBeNull();
  expect(await counted()).toEqual({
    stations: before.stations + 1,
    checklists: before.checklists + 1,
    drafts: before.drafts + 1,
  });
});
