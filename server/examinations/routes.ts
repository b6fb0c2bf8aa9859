import {
  candidatePage,
  countdownWarning,
  examination,
  examinationSummary,
  importPreview,
  newExamination,
  newStation,
  planned,
  stationChange,
  stationExaminers,
  stationReadings,
} from '@kritikos/contracts/examinations';
import { id, page } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { route } from '../http/route.ts';
import { importCandidates, previewCandidates } from './candidates.ts';
import { planSheets } from './planning.ts';
import * as examinations from './repository.ts';
import * as service from './service.ts';

const one = z.object({ examination: id });
const oneStation = z.object({ station: id });

export const examinationRoutes = [
  route({
    method: 'get',
    path: '/examinations',
    access: ['lead'],
    answers: z.array(examinationSummary),
    handle: ({ db }) => examinations.listExaminations(db),
  }),
  route({
    method: 'post',
    path: '/examinations',
    access: ['lead'],
    body: newExamination,
    answers: examination,
    handle: ({ db, body, account }) => service.createExamination(db, body, account),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination',
    access: ['lead'],
    params: one,
    answers: examination,
    handle: ({ db, params }) => service.describeExamination(db, params.examination),
  }),
  route({
    method: 'post',
    path: '/examinations/:examination/stations',
    access: ['lead'],
    params: one,
    body: newStation,
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.addStation(db, params.examination, body, account),
  }),
  route({
    method: 'patch',
    path: '/stations/:station',
    access: ['lead'],
    params: oneStation,
    body: stationChange,
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.changeChecklistVersion(db, params.station, body.checklistVersionId, account),
  }),
  route({
    method: 'put',
    path: '/stations/:station/readings',
    access: ['lead'],
    params: oneStation,
    body: stationReadings,
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.keepPatientReadings(db, params.station, body, account),
  }),
  route({
    method: 'put',
    path: '/stations/:station/examiners',
    access: ['lead'],
    params: oneStation,
    body: stationExaminers,
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.assignExaminers(db, params.station, body, account),
  }),
  route({
    method: 'get',
    path: '/examinations/:examination/candidates',
    access: ['lead'],
    params: one,
    query: page,
    answers: candidatePage,
    handle: async ({ db, params, query }) => {
      await service.requireExamination(db, params.examination);
      return examinations.candidatePage(db, params.examination, query);
    },
  }),
  route({
    method: 'post',
    path: '/examinations/:examination/candidates/preview',
    access: ['lead'],
    params: one,
    body: z.string(),
    takes: 'csv',
    answers: importPreview,
    handle: ({ db, params, body }) => previewCandidates(db, params.examination, body),
  }),
  route({
    method: 'post',
    path: '/examinations/:examination/candidates',
    access: ['lead'],
    params: one,
    body: z.string(),
    takes: 'csv',
    answers: examination,
    handle: ({ db, params, body, account }) =>
      importCandidates(db, params.examination, body, account),
  }),
  route({
    method: 'post',
    path: '/examinations/:examination/plan',
    access: ['lead'],
    params: one,
    answers: planned,
    handle: ({ db, params, account }) => planSheets(db, params.examination, account),
  }),
  route({
    method: 'put',
    path: '/examinations/:examination/warning',
    access: ['lead'],
    params: one,
    body: countdownWarning,
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.changeWarning(db, params.examination, body, account),
  }),
  route({
    method: 'put',
    path: '/examinations/:examination/marking',
    access: ['lead'],
    params: one,
    body: z.object({ open: z.boolean() }),
    answers: examination,
    handle: ({ db, params, body, account }) =>
      service.setMarkingOpen(db, params.examination, body.open, account),
  }),
];
