import { route } from '../http/route.ts';
import * as service from './service.ts';

export const standardRoutes = [
  route('GET /examinations/:examination/standards', ({ db, params, account }) =>
    service.openStandards(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/standards/draft', ({ db, params, body, account }) =>
    service.keepDraft(db, params.examination, body, account),
  ),
  route(
    'POST /examinations/:examination/decisions',
    async ({ db, hints, jobs, params, body, account }) => {
      const signed = await service.signDecision(db, params.examination, body, account, jobs);
      hints.examinationChanged(params.examination);
      return signed;
    },
  ),
  route('GET /decisions/:decision', ({ db, params, account }) =>
    service.readDecision(db, params.decision, account),
  ),
  route('POST /decisions/:decision/release', ({ db, params, account }) =>
    service.releaseDecision(db, params.decision, account),
  ),
  route('GET /decisions/:decision/rereading', ({ db, params, account }) =>
    service.rereadDecision(db, params.decision, account),
  ),
];
