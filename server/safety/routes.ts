import { route } from '../http/route.ts';
import { followUp, readOccurrences } from './service.ts';

export const safetyRoutes = [
  route('GET /examinations/:examination/safety', ({ db, params, account }) =>
    readOccurrences(db, params.examination, account),
  ),
  route('POST /examinations/:examination/safety/:event', ({ db, params, body, account }) =>
    followUp(db, params, body, account),
  ),
];
