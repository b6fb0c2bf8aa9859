import { route } from '../http/route.ts';
import { listBank } from './repository.ts';
import * as service from './service.ts';

export const bankRoutes = [
  route('GET /bank-stations', ({ db }) => listBank(db)),
  route('POST /bank-stations', ({ db, body, account }) =>
    service.createBankStation(db, body, account),
  ),
  route('POST /bank-stations/:bank/versions', ({ db, params, body, account }) =>
    service.changeBankStation(db, params.bank, body, account),
  ),
  route('PUT /bank-stations/:bank/retirement', ({ db, params, body, account }) =>
    service.retireBankStation(db, params.bank, body.retired, account),
  ),
];
