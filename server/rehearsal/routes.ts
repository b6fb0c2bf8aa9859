import { route } from '../http/route.ts';
import { askRehearsal, readRehearsal } from './service.ts';

export const rehearsalRoutes = [
  route('GET /examinations/:examination/rehearsal', ({ db, params, account }) =>
    readRehearsal(db, params.examination, account),
  ),
  route('POST /examinations/:examination/rehearsal', ({ db, jobs, params, body, account }) =>
    askRehearsal(db, jobs, params.examination, body, account),
  ),
];
