import { agreementOverview, agreementTable, comparison } from '@kritikos/contracts/agreement';
import { id, key } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { route } from '../http/route.ts';
import * as service from './service.ts';

export const agreementRoutes = [
  route({
    method: 'get',
    path: '/examinations/:examination/agreement',
    access: ['lead'],
    params: z.object({ examination: id }),
    answers: agreementOverview,
    handle: ({ db, params }) => service.describeAgreement(db, params.examination),
  }),
  route({
    method: 'get',
    path: '/stations/:station/agreement/table',
    access: ['lead'],
    params: z.object({ station: id }),
    query: z.object({ item: key.optional() }),
    answers: agreementTable,
    handle: ({ db, params, query }) => service.tableBehind(db, params.station, query.item),
  }),
  route({
    method: 'get',
    path: '/agreement/comparison',
    access: ['lead'],
    query: z.object({ first: id, second: id }),
    answers: comparison,
    handle: ({ db, query }) => service.compareSheets(db, query.first, query.second),
  }),
];
