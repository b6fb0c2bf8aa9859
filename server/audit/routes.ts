import { trail, trailPage } from '@kritikos/contracts/audit';
import { route } from '../http/route.ts';
import { readTrail } from './repository.ts';

export const auditRoutes = [
  route({
    method: 'get',
    path: '/audit',
    access: ['lead'],
    query: trailPage,
    answers: trail,
    handle: ({ db, query }) => readTrail(db, query),
  }),
];
