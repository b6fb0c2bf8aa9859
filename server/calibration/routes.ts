import { requireExamination } from '../examinations/service.ts';
import { route } from '../http/route.ts';
import * as service from './service.ts';

export const calibrationRoutes = [
  route('GET /stations/:station/briefing', ({ db, params, account }) =>
    service.readBriefing(db, params.station, account),
  ),
  route('POST /stations/:station/briefing/confirmation', ({ db, params, account }) =>
    service.confirmBriefing(db, params.station, account),
  ),
  route('GET /examinations/:examination/calibration', async ({ db, params }) => {
    await requireExamination(db, params.examination);
    return service.whoConfirmed(db, params.examination);
  }),
];
