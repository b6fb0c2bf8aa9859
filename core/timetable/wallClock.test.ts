import { describe, expect, it } from 'vitest';
import { wallClock } from './wallClock.ts';

describe('a clock on the wall', () => {
  const minute = (iso: string) => Date.parse(iso) / 60_000;

  it('shows the time of its zone, in summer and in winter', () => {
    // Lisbon is an hour ahead of UTC in summer and keeps it in winter (IANA, Europe/Lisbon).
    const { at, dateOf, sortable } = wallClock('Europe/Lisbon');
    expect(at(minute('2031-05-21T07:32:00Z'))).toBe('08:32');
    expect(sortable(minute('2031-05-21T07:32:00Z'))).toBe('2031-05-21 08:32');
    expect(sortable(minute('2031-11-21T07:32:00Z'))).toBe('2031-11-21 07:32');
    expect(dateOf(minute('2031-05-21T23:30:00Z'))).toBe('Thursday 22 May');
  });

  it('writes what sorts as text as the times do', () => {
    const { sortable } = wallClock('Asia/Tokyo');
    const times = ['2031-12-31T14:59:00Z', '2031-01-01T00:00:00Z', '2031-12-31T15:00:00Z'];
    const written = times.map((iso) => sortable(minute(iso)));
    expect([...written].sort()).toEqual([
      '2031-01-01 09:00',
      '2031-12-31 23:59',
      '2032-01-01 00:00',
    ]);
  });
});
