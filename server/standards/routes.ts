import { route } from '../http/route.ts';
import * as service from './service.ts';
import { releaseDecision, signDecision } from './signing.ts';

export const standardRoutes = [
  route('GET /examinations/:examination/standards', ({ db, params, account }) =>
    service.openStandards(db, params.examination, account),
  ),
  route('GET /examinations/:examination/standards/parts', ({ db, params, account }) =>
    service.readParts(db, params.examination, account),
  ),
  route('PUT /examinations/:examination/standards/draft', ({ db, params, body, account }) =>
    service.keepDraft(db, params.examination, body, account),
  ),
  route(
    'POST /examinations/:examination/decisions',
    async ({ db, hints, jobs, params, body, account }) => {
      const signed = await signDecision(db, params.examination, body, account, jobs);
      hints.examinationChanged(params.examination);
      return signed;
    },
  ),
  route('GET /decisions/:decision', ({ db, params, account }) =>
    service.readDecision(db, params.decision, account),
  ),
  route('POST /decisions/:decision/release', ({ db, params, account }) =>
    releaseDecision(db, params.decision, account),
  ),
  route('GET /decisions/:decision/rereading', ({ db, params, account }) =>
    service.rereadDecision(db, params.decision, account),
  ),
];
