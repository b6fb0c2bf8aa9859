import type { Phase } from '@kritikos/contracts/examinations';

/** The six phases of the cycle: their words, where they live, and what is done there. */
export const CYCLE: readonly {
  phase: Phase;
  title: string;
  path: string;
  purpose: string;
  /** Other pages of the phase. */
  also?: readonly string[];
}[] = [
  {
    phase: 'prepare',
    title: 'Prepare',
    path: 'preparation',
    also: ['blueprint', 'timetable', 'resources'],
    purpose: 'Candidates, stations, examiners, and who marks whom.',
  },
  {
    phase: 'calibrate',
    title: 'Calibrate',
    path: 'calibration',
    purpose: 'Every examiner reads the briefing of their stations.',
  },
  {
    phase: 'mark',
    title: 'Mark',
    path: 'marking',
    purpose: 'Open marking and follow the day.',
  },
  {
    phase: 'agree',
    title: 'Agree',
    path: 'agreement',
    purpose: 'Where two examiners saw the same and marked otherwise.',
  },
  {
    phase: 'standard',
    title: 'Set the standard',
    path: 'standards',
    purpose: 'The pass mark, its consequence, and a signature.',
  },
  {
    phase: 'report',
    title: 'Report',
    path: 'results',
    purpose: 'Results for the board and for each candidate.',
  },
];
