import { requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { notFound } from '../http/problems.ts';
import { route } from '../http/route.ts';
import { cancel, findJob } from './repository.ts';

export const jobRoutes = [
  route('POST /examinations/:examination/recomputation', async ({ db, jobs, params, account }) => {
    await requireExamination(db, params.examination, account);
    // The marks may be other ones the next time, so that every time is a new question.
    const question = { examination: params.examination, look: newId() };
    const { examination: examinationId } = params;
    return jobs.ask({ kind: 'recomputation', ownerId: account.id, examinationId, question });
  }),
  route('GET /jobs/:job', async ({ db, params, account }) => {
    const found = await findJob(db, params.job, account.id);
    if (!found) throw notFound('job');
    return found;
  }),
  route('DELETE /jobs/:job', async ({ db, params, account }) => {
    await cancel(db, params.job, account.id);
    const found = await findJob(db, params.job, account.id);
    if (!found) throw notFound('job');
    return found;
  }),
];
