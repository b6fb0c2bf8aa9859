import { route } from '../http/route.ts';
import * as service from './service.ts';

export const standardRoutes = [
  route('GET /examinations/:examination/standards', ({ db, params }) =>
    service.openStandards(db, params.examination),
  ),
  route('PUT /examinations/:examination/standards/draft', ({ db, params, body, account }) =>
    service.keepDraft(db, params.examination, body, account),
  ),
  route('POST /examinations/:examination/decisions', ({ db, params, body, account }) =>
    service.signDecision(db, params.examination, body, account),
  ),
  route('GET /decisions/:decision', ({ db, params }) => service.readDecision(db, params.decision)),
  route('GET /decisions/:decision/rereading', ({ db, params }) =>
    service.rereadDecision(db, params.decision),
  ),
];
