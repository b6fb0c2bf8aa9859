import { route } from '../http/route.ts';
import { recordTaps } from './recordTaps.ts';
import { ownStations } from './repository.ts';
import * as service from './service.ts';

export const markingRoutes = [
  route('GET /own/stations', ({ db, account }) => ownStations(db, account.id)),
  route('GET /sheets/:sheet', ({ db, params, account }) =>
    service.openOwnSheet(db, params.sheet, account),
  ),
  route('POST /sheets/:sheet/events', async ({ db, hints, params, body, account }) => {
    const recorded = await recordTaps(db, params.sheet, body, account);
    hints.sheetChanged(params.sheet);
    return recorded;
  }),
  route('GET /sheets/:sheet/record', ({ db, params, account }) =>
    service.readRecord(db, params.sheet, account),
  ),
  route('POST /sheets/:sheet/reopening', async ({ db, hints, params, body, account }) => {
    const record = await service.reopenSheet(db, params.sheet, body.reason, account);
    hints.sheetChanged(params.sheet);
    return record;
  }),
  route('GET /examinations/:examination/marking', ({ db, params, account }) =>
    service.followMarking(db, params.examination, account),
  ),
];
