import { route } from '../http/route.ts';
import * as service from './service.ts';

export const agreementRoutes = [
  route('GET /examinations/:examination/agreement', ({ db, params }) =>
    service.describeAgreement(db, params.examination),
  ),
  route('GET /stations/:station/agreement/table', ({ db, params, query }) =>
    service.tableBehind(db, params.station, query.item),
  ),
  route('GET /agreement/comparison', ({ db, query }) =>
    service.compareSheets(db, query.first, query.second),
  ),
];
