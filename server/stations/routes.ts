import { route } from '../http/route.ts';
import { askBehaviour } from './behaviour.ts';
import { copyStation, stationFromFile } from './making.ts';
import { lookInBank } from './searching.ts';
import * as service from './service.ts';

export const bankRoutes = [
  route('GET /bank-stations', ({ db, query, account }) => lookInBank(db, query, account)),
  route('POST /bank-stations', ({ db, body, account }) =>
    service.createBankStation(db, body, account),
  ),
  route('POST /bank-stations/copies', ({ db, body, account }) => copyStation(db, body, account)),
  route('POST /bank-stations/files', ({ db, body, account }) => stationFromFile(db, body, account)),
  route('POST /bank-stations/behaviour', ({ db, jobs, account }) =>
    askBehaviour(db, jobs, account),
  ),
  route('GET /bank-stations/:bank', ({ db, params, account }) =>
    service.requireBankStation(db, params.bank, account),
  ),
  route('POST /bank-stations/:bank/versions', ({ db, params, body, account }) =>
    service.changeBankStation(db, params.bank, body, account),
  ),
  route('PUT /bank-stations/:bank/retirement', ({ db, params, body, account }) =>
    service.retireBankStation(db, params.bank, body.retired, account),
  ),
];
