import { id, page } from '@kritikos/contracts/primitives';
import { candidateReport, results } from '@kritikos/contracts/results';
import { z } from 'zod';
import { route } from '../http/route.ts';
import { resultFile } from './resultFile.ts';
import { readResults, reportCandidate } from './service.ts';

const one = z.object({ examination: id });
const MOST_IN_A_FILE = 100_000;

export const resultRoutes = [
  route({
    method: 'get',
    path: '/examinations/:examination/results',
    access: ['lead'],
    params: one,
    query: page,
    answers: results,
    handle: ({ db, params, query }) => readResults(db, params.examination, query),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination/results.csv',
    access: ['lead'],
    params: one,
    answers: 'csv',
    handle: async ({ db, params }) => ({
      fileName: 'results.csv',
      content: resultFile(
        await readResults(db, params.examination, { offset: 0, limit: MOST_IN_A_FILE }),
      ),
    }),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination/results/candidates/:candidate',
    access: ['lead'],
    params: one.extend({ candidate: id }),
    answers: candidateReport,
    handle: ({ db, params }) => reportCandidate(db, params.examination, params.candidate),
  }),
];
