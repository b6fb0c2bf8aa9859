import { route } from '../http/route.ts';
import { readTrust } from './service.ts';

export const trustRoutes = [
  route('GET /examinations/:examination/trust', ({ db, params, account }) =>
    readTrust(db, params.examination, account),
  ),
];
