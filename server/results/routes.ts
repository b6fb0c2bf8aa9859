import { route } from '../http/route.ts';
import { resultFile } from './resultFile.ts';
import { readResults, reportCandidate } from './service.ts';

const MOST_IN_A_FILE = 100_000;

export const resultRoutes = [
  route('GET /examinations/:examination/results', ({ db, params, query, account }) =>
    readResults(db, params.examination, query, account),
  ),
  route('GET /examinations/:examination/results.csv', async ({ db, params, account }) => ({
    fileName: 'results.csv',
    content: resultFile(
      await readResults(db, params.examination, { offset: 0, limit: MOST_IN_A_FILE }, account),
    ),
  })),
  route('GET /examinations/:examination/results/candidates/:candidate', ({ db, params, account }) =>
    reportCandidate(db, params.examination, params.candidate, account),
  ),
];
