import { examinationFigure, examinationFile, source, stationFigure } from '../sources.ts';
import type { Contracts } from '../contract.ts';
import { reads } from './access.ts';

/** The file and the command behind every figure, for whoever wants to work it out again. */
export const sources = {
  'GET /stations/:station/source': {
    says: 'The file and the command that give a figure of a station',
    access: reads('station'),
    query: stationFigure,
    answers: source,
  },
  'GET /stations/:station/source.csv': {
    says: 'That file',
    access: reads('station'),
    query: stationFigure,
    answers: 'csv',
  },
  'GET /examinations/:examination/source': {
    says: 'The files and the command that give a figure of an examination',
    access: reads('examination'),
    query: examinationFigure,
    answers: source,
  },
  'GET /examinations/:examination/source.csv': {
    says: 'One of those files',
    access: reads('examination'),
    query: examinationFile,
    answers: 'csv',
  },
} as const satisfies Contracts;
