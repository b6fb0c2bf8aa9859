import { recordEvents } from '@kritikos/contracts/marking';
import { id } from '@kritikos/contracts/primitives';
import { Router } from 'express';
import type { RequestHandler } from 'express';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { readJson } from '../http/bodies.ts';
import { comesFromElsewhere, credentialsOf } from '../http/session.ts';
import { recordTapsAs } from './recordTaps.ts';
import type { TapLine } from './recordTaps.ts';
import { recordTapsTogether } from './repository.ts';
import { TapQueue } from './tapQueue.ts';

/**
 * A line of its own for the address under an examiner’s finger: one statement reads the session
 * with its account, writes the taps and projects them, for all requests that wait at that moment.
 * Five hundred examiners tap at once.
 *
 * It only ever says yes. Whatever is out of the ordinary (nobody signed in, a body that cannot be
 * read, a submission, a sheet that is somebody else’s) goes on the way of all requests, which says
 * why not.
 */
export function tapLine(db: Database, hints: Hints, secret: string): Router {
  const queue: TapLine = new TapQueue((requests) => recordTapsTogether(db, requests));
  /** Who has no session of ours is read nothing of, here. */
  const admit: RequestHandler = (request, _response, next) =>
    next(credentialsOf(request, secret) && !comesFromElsewhere(request) ? undefined : 'route');
  const answer: RequestHandler = async (request, response, next) => {
    const credentials = credentialsOf(request, secret);
    if (!credentials) return next();
    const sheet = id.safeParse(request.params.sheet);
    const batch = recordEvents.safeParse(request.body);
    if (!sheet.success || !batch.success) return next();
    const recorded = await recordTapsAs(db, queue, credentials, sheet.data, batch.data).catch(
      (error: unknown) => {
        if (isDatabaseAway(error)) throw error;
        return null; // the fault of one in the statement; alone, each finds out whose
      },
    );
    if (!recorded) return next();
    response.json(recorded);
    hints.sheetChanged(sheet.data);
  };
  return Router().post('/sheets/:sheet/events', admit, readJson, answer);
}
