import { briefing, confirmations } from '@kritikos/contracts/calibration';
import { id } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { requireExamination } from '../examinations/service.ts';
import { route } from '../http/route.ts';
import * as service from './service.ts';

const oneStation = z.object({ station: id });

export const calibrationRoutes = [
  route({
    method: 'get',
    path: '/stations/:station/briefing',
    access: ['lead', 'examiner'],
    params: oneStation,
    answers: briefing,
    handle: ({ db, params, account }) => service.readBriefing(db, params.station, account),
  }),
  route({
    method: 'post',
    path: '/stations/:station/briefing/confirmation',
    access: ['examiner'],
    params: oneStation,
    answers: briefing,
    handle: ({ db, params, account }) => service.confirmBriefing(db, params.station, account),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination/calibration',
    access: ['lead'],
    params: z.object({ examination: id }),
    answers: confirmations,
    handle: async ({ db, params }) => {
      await requireExamination(db, params.examination);
      return service.whoConfirmed(db, params.examination);
    },
  }),
];
