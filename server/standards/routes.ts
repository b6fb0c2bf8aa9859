import { id } from '@kritikos/contracts/primitives';
import {
  decision,
  rereading,
  signOff,
  standardSettings,
  standardsPage,
} from '@kritikos/contracts/standards';
import { z } from 'zod';
import { route } from '../http/route.ts';
import * as service from './service.ts';

const one = z.object({ examination: id });

export const standardRoutes = [
  route({
    method: 'get',
    path: '/examinations/:examination/standards',
    access: ['lead'],
    params: one,
    answers: standardsPage,
    handle: ({ db, params }) => service.openStandards(db, params.examination),
  }),
  route({
    method: 'put',
    path: '/examinations/:examination/standards/draft',
    access: ['lead'],
    params: one,
    body: standardSettings,
    answers: standardSettings,
    handle: ({ db, params, body, account }) =>
      service.keepDraft(db, params.examination, body, account),
  }),
  route({
    method: 'post',
    path: '/examinations/:examination/decisions',
    access: ['lead'],
    params: one,
    body: signOff,
    answers: decision,
    handle: ({ db, params, body, account }) =>
      service.signDecision(db, params.examination, body, account),
  }),
  route({
    method: 'get',
    path: '/decisions/:decision',
    access: ['lead'],
    params: z.object({ decision: id }),
    answers: decision,
    handle: ({ db, params }) => service.readDecision(db, params.decision),
  }),
  route({
    method: 'get',
    path: '/decisions/:decision/rereading',
    access: ['lead'],
    params: z.object({ decision: id }),
    answers: rereading,
    handle: ({ db, params }) => service.rereadDecision(db, params.decision),
  }),
];
