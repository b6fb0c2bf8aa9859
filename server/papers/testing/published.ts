import type { Timetable } from '@kritikos/contracts/timetable';
import type { Caller, TestServer } from '../../testing/startServer.ts';

export interface Published {
  readonly lead: Caller;
  /** The id of the examination of next year, whose plan is published now. */
  readonly next: string;
  readonly timetable: Timetable;
}

/** Publishes the plan of the demo's examination of next year: before that there is little to print. */
export async function publishNextYears(server: TestServer): Promise<Published> {
  const lead = await server.lead();
  const next: string = (await server.db('examination').orderBy('held_on', 'desc').first('id')).id;
  const [draft] = (await lead.call('GET', `/examinations/${next}/timetable`)).body.plans;
  const { body: timetable } = await lead
    .call('PUT', `/examinations/${next}/timetables/${draft.id}/publication`, {
      revision: draft.revision,
    })
    .expect(200);
  return { lead, next, timetable };
}
