import { route } from '../http/route.ts';
import * as service from './service.ts';

export const yearRoutes = [
  route('GET /examinations/:examination/years', ({ db, params, account }) =>
    service.readYears(db, params.examination, account),
  ),
  route('GET /bank-stations/:bank/years', ({ db, params, account }) =>
    service.readStationYears(db, params.bank, account),
  ),
];
