import {
  checklistContent,
  checklistSummary,
  checklistVersion,
} from '@kritikos/contracts/checklists';
import { id } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { route } from '../http/route.ts';
import { newestVersions } from './repository.ts';
import { findChecklistVersion, makeNextVersion } from './service.ts';

export const checklistRoutes = [
  route({
    method: 'get',
    path: '/checklists',
    access: ['lead'],
    answers: z.array(checklistSummary),
    handle: ({ db }) => newestVersions(db),
  }),
  route({
    method: 'get',
    path: '/checklist-versions/:version',
    access: ['lead'],
    params: z.object({ version: id }),
    answers: checklistVersion,
    handle: ({ db, params }) => findChecklistVersion(db, params.version),
  }),
  route({
    method: 'post',
    path: '/checklists/:checklist/versions',
    access: ['lead'],
    params: z.object({ checklist: id }),
    body: checklistContent,
    answers: checklistVersion,
    handle: ({ db, params, body, account }) => makeNextVersion(db, params.checklist, body, account),
  }),
];
