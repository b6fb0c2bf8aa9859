import { route } from '../http/route.ts';
import * as service from './service.ts';

export const calibrationRoutes = [
  route('GET /stations/:station/briefing', ({ db, params, account }) =>
    service.readBriefing(db, params.station, account),
  ),
  route('POST /stations/:station/briefing/confirmation', ({ db, params, account }) =>
    service.confirmBriefing(db, params.station, account),
  ),
  route('GET /examinations/:examination/calibration', ({ db, params, account }) =>
    service.whoConfirmed(db, params.examination, account),
  ),
];
