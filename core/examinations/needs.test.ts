import { describe, expect, it } from 'vitest';
import { needsOf } from './needs.ts';

const stations = [
  { title: 'Knee', equipment: ['couch', 'goniometer'], patient: 'a torn ligament, left' },
  { title: 'Hip', equipment: ['couch', 'couch'], patient: 'nothing wrong' },
  { title: 'Ankle', equipment: [], patient: 'nothing wrong' },
];

describe('what a day needs', () => {
  it('is each thing once a station that uses it, in every circuit', () => {
    expect(needsOf(stations, 2).equipment).toEqual([
      { what: 'couch', count: 4, stations: ['Knee', 'Hip'] },
      { what: 'goniometer', count: 2, stations: ['Knee'] },
    ]);
  });

  it('is one thing however it is spelt', () => {
    const spelt = [
      { title: 'Knee', equipment: ['Couch', 'couch '], patient: '' },
      { title: 'Hip', equipment: ['couch', 'Tape  measure'], patient: '' },
      { title: 'Ankle', equipment: ['tape measure'], patient: '' },
    ];
    expect(needsOf(spelt, 1).equipment).toEqual([
      { what: 'couch ', count: 2, stations: ['Knee', 'Hip'] },
      { what: 'Tape  measure', count: 2, stations: ['Hip', 'Ankle'] },
    ]);
  });

  it('is a person for every part that is played at the same time', () => {
    expect(needsOf(stations, 1).patients).toEqual([
      { what: 'nothing wrong', count: 2, stations: ['Hip', 'Ankle'] },
      { what: 'a torn ligament, left', count: 1, stations: ['Knee'] },
    ]);
  });
});
