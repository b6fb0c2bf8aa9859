import {
  markingProgress,
  ownStation,
  recorded,
  recordEvents,
  sheet,
  sheetRecord,
} from '@kritikos/contracts/marking';
import { id } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { route } from '../http/route.ts';
import { recordTaps } from './recordTaps.ts';
import { ownStations } from './repository.ts';
import * as service from './service.ts';

const oneSheet = z.object({ sheet: id });

export const markingRoutes = [
  route({
    method: 'get',
    path: '/own/stations',
    access: ['examiner'],
    answers: z.array(ownStation),
    handle: ({ db, account }) => ownStations(db, account.id),
  }),
  route({
    method: 'get',
    path: '/sheets/:sheet',
    access: ['examiner'],
    params: oneSheet,
    answers: sheet,
    handle: ({ db, params, account }) => service.openOwnSheet(db, params.sheet, account),
  }),
  route({
    method: 'post',
    path: '/sheets/:sheet/events',
    access: ['examiner'],
    params: oneSheet,
    body: recordEvents,
    answers: recorded,
    handle: ({ db, params, body, account }) => recordTaps(db, params.sheet, body, account),
  }),
  route({
    method: 'get',
    path: '/sheets/:sheet/record',
    access: ['lead'],
    params: oneSheet,
    answers: sheetRecord,
    handle: ({ db, params }) => service.readRecord(db, params.sheet),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination/marking',
    access: ['lead'],
    params: z.object({ examination: id }),
    answers: markingProgress,
    handle: ({ db, params }) => service.followMarking(db, params.examination),
  }),
];
