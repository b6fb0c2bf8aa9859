import type { OwnStation } from '@kritikos/contracts/marking';
import { describe, expect, it } from 'vitest';
import { isOver, ownDays } from './ownDay.ts';

const station = (position: number, dues: (string | null)[], more: Partial<OwnStation> = {}) =>
  ({
    stationId: `s${position}`,
    position,
    assigned: true,
    markingOpen: true,
    zone: 'Europe/London',
    heldOn: '2027-05-21',
    sheets: dues.map((due, i) => ({ id: `${position}/${i}`, candidateNumber: i + 1, due })),
    ...more,
  }) as OwnStation;

/** Some systems write a comma behind the weekday. */
const plain = (day: string) => day.replace(',', '');

describe('the day of an examiner who goes from station to station', () => {
  it('is read by the clock, a day at a time, in the zone of the house', () => {
    const days = ownDays([
      station(4, ['2027-05-21T08:40:00Z', '2027-05-22T08:00:00Z']),
      station(2, ['2027-05-21T08:20:00Z', '2027-05-21T09:00:00Z', null]),
      station(6, ['2027-05-21T08:40:00Z']),
    ]);
    expect(
      days.map(({ day, turns }) => [plain(day), turns.map((t) => t.station.position)]),
    ).toEqual([
      ['Friday 21 May 2027', [2, 4, 6, 2]],
      ['Saturday 22 May 2027', [4]],
    ]);
    // Noon by UTC is the next day in Auckland.
    const auckland = { zone: 'Pacific/Auckland' };
    const late = [
      station(1, ['2027-05-21T13:00:00Z'], auckland),
      station(2, ['2027-05-21T13:20:00Z'], auckland),
    ];
    expect(ownDays(late).map(({ day }) => plain(day))).toEqual(['Saturday 22 May 2027']);
  });

  it('is not told to whoever stays at one station, has no times, or was taken off', () => {
    expect(ownDays([station(1, ['2027-05-21T08:00:00Z', '2027-05-21T08:20:00Z'])])).toEqual([]);
    expect(ownDays([station(1, [null]), station(2, [null])])).toEqual([]);
    const off = station(2, ['2027-05-21T08:20:00Z'], { assigned: false });
    expect(ownDays([station(1, ['2027-05-21T08:00:00Z']), off])).toEqual([]);
  });
});

describe('an examination', () => {
  it('is over once its day has passed in its zone and marking is closed', () => {
    const closed = station(1, [], { markingOpen: false });
    expect(isOver(closed, new Date('2027-05-21T22:30:00Z'))).toBe(false);
    expect(isOver(closed, new Date('2027-05-21T23:30:00Z'))).toBe(true); // past midnight, summer time
    expect(isOver(station(1, []), new Date('2027-06-01T00:00:00Z'))).toBe(false);
  });
});
