import { route } from '../http/route.ts';
import * as service from './service.ts';
import { limitsBehind, tableBehind } from './tables.ts';

export const agreementRoutes = [
  route('GET /examinations/:examination/agreement', ({ db, jobs, params, account }) =>
    service.readAgreement(db, jobs, params.examination, account),
  ),
  route('GET /stations/:station/agreement/table', ({ db, params, query, account }) =>
    tableBehind(db, params.station, query, account),
  ),
  route('GET /stations/:station/agreement/limits', ({ db, params, query, account }) =>
    limitsBehind(db, params.station, query, account),
  ),
  route('GET /sheets/:sheet/comparison', ({ db, params, query, account }) =>
    service.compareSheets(db, params.sheet, query.with, account),
  ),
];
