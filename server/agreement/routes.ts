import { route } from '../http/route.ts';
import * as service from './service.ts';

export const agreementRoutes = [
  route('GET /examinations/:examination/agreement', ({ db, params, account }) =>
    service.describeAgreement(db, params.examination, account),
  ),
  route('GET /stations/:station/agreement/table', ({ db, params, query, account }) =>
    service.tableBehind(db, params.station, query, account),
  ),
  route('GET /sheets/:sheet/comparison', ({ db, params, query, account }) =>
    service.compareSheets(db, params.sheet, query.with, account),
  ),
];
