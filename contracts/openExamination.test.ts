import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { openExamination, openExaminationSchema } from './openExamination.ts';

const least = {
  format: 'kritikos-examination',
  version: 1,
  examination: {
    title: 'Any',
    school: 'School',
    cohort: '2031',
    heldOn: '2031-05-21',
    zone: 'Europe/Lisbon',
  },
  blueprint: { region: {}, kind: {}, structure: {} },
  stations: [],
  candidates: [],
  examiners: [],
  simulatedPatients: [],
  rooms: [],
  places: [],
  equipment: [],
  wish: null,
  timetable: null,
};
const reasons = (changed: object) =>
  (openExamination.safeParse({ ...least, ...changed }).error?.issues ?? []).map(
    ({ path, message }) => `/${path.join('/')}: ${message}`,
  );

describe('an examination as a file', () => {
  it('has the schema that is published beside the documents', () => {
    const published = readFileSync(
      new URL('../docs/examination.schema.json', import.meta.url),
      'utf8',
    );
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(openExaminationSchema())));
  });

  it('may be as little as its title', () => {
    expect(reasons({})).toEqual([]);
  });

  it('is refused where things name what is not in it', () => {
    const slot = {
      candidate: 3,
      start: '2031-05-21T09:00:00Z',
      end: '2031-05-21T08:00:00Z',
      day: 0,
      circuit: 1,
      wave: 0,
      station: 2,
      examiner: 'nobody@school.example',
      second: null,
      patient: 'Nobody',
    };
    expect(reasons({ timetable: { bound: 1, length: 1, slots: [slot] } })).toEqual([
      '/timetable/slots/0/candidate: 3 is no candidate of this file',
      '/timetable/slots/0/station: 2 is no station of this file',
      '/timetable/slots/0/examiner: nobody@school.example is no examiner of this file',
      '/timetable/slots/0/patient: Nobody is no simulated patient of this file',
      '/timetable/slots/0/end: is before its start',
      '/wish: must say what the timetable was asked to be',
    ]);
    expect(reasons({ places: [{ station: 1, circuit: 1, room: 'Hall', couch: 2 }] })).toEqual([
      '/places/0/station: 1 is no station of this file',
      '/places/0/couch: couch 2 of Hall is not in this file',
    ]);
  });

  it('says what to do about a file of a newer version', () => {
    expect(reasons({ version: 2 })[0]).toMatch(/reads up to 1.*bring this installation up to date/);
    expect(reasons({ marks: [] })[0]).toMatch(/marks/);
  });
});
