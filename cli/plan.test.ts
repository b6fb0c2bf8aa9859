import { describe, expect, it } from 'vitest';
import { file, run } from './testing/runCommand.ts';

const PROBLEM = {
  days: [{ start: '2027-05-21T08:00:00+01:00', end: '2027-05-21T17:00:00+01:00' }],
  readingMinutes: 2,
  stationMinutes: 8,
  changeMinutes: 1,
  rests: 1,
  circuits: 2,
  stations: [
    { id: 'A', joint: 'knee' },
    { id: 'B', joint: 'hip' },
    { id: 'C', minutes: 6 },
  ],
  candidates: [
    { id: 101 },
    { id: 102, extraTime: 0.25 },
    { id: 103, conflicts: ['e1'] },
    ...[104, 105, 106, 107, 108].map((id) => ({ id })),
  ],
  examiners: ['e1', 'e2', 'e3', 'e4', 'e5', 'e6', 'e7'].map((id) => ({ id })),
  simulatedPatients: [
    ...['p1', 'p2', 'p3', 'p4'].map((id) => ({ id, stations: ['A', 'B'], mostInARow: 2 })),
    ...['p5', 'p6'].map((id) => ({ id, stations: ['B', 'A', 'C'] })),
    ...['p7', 'p8'].map((id) => ({ id, stations: ['C'] })),
  ],
  doubleMarking: { pairs: 6 },
};
interface Written {
  candidate: number;
  day: number;
  circuit: number;
  station: string | null;
  start: string;
  end: string;
  examiner: string | null;
  second?: string;
  simulatedPatient?: string;
}
const planned = (problem: object, ...more: string[]) =>
  run('plan', file('problem.json', JSON.stringify(problem)), '--json', ...more);

describe('a plan from a file', () => {
  it('says for every candidate where they are, when, and with whom, under the names of the file', async () => {
    const { json } = await planned(PROBLEM, '--seed', '7');
    const plan = json();
    const slots = plan.slots as Written[];
    expect(plan.unmet).toEqual([]);
    expect(plan.seed).toBe(7);
    expect(plan.bound).toBeLessThanOrEqual(plan.length);
    expect(slots).toHaveLength(8 * 4);
    expect(new Set(slots.map(({ candidate }) => candidate))).toEqual(
      new Set([101, 102, 103, 104, 105, 106, 107, 108]),
    );
    const rests = slots.filter(({ station }) => station === null);
    expect(rests).toHaveLength(8);
    expect(rests.every((slot) => slot.examiner === null && !('second' in slot))).toBe(true);
    const minutes = ({ start, end }: Written) => (Date.parse(end) - Date.parse(start)) / 60_000;
    const long = slots.filter(({ candidate, station }) => candidate === 102 && station === 'A');
    expect(long.map(minutes)).toEqual([10]);
    const short = slots.filter(({ candidate, station }) => candidate === 104 && station === 'C');
    expect(short.map(minutes)).toEqual([6]);
    expect(slots.filter(({ second }) => second !== undefined)).toHaveLength(6);
    expect(
      slots.some(
        ({ candidate, examiner, second }) => candidate === 103 && [examiner, second].includes('e1'),
      ),
    ).toBe(false);
    // The first bell is a reading after eight in the morning, an hour east of Greenwich.
    expect(slots.map(({ start }) => start).sort()[0]).toMatch(/^2027-05-21T07:02/);
  });

  it('is the same for the same question', async () => {
    const [one, other] = [await planned(PROBLEM), await planned(PROBLEM)];
    expect(one.stdout).toBe(other.stdout);
  });

  it.each<[string, object, RegExp]>([
    ['zero minutes', { stationMinutes: 0 }, /\/stationMinutes: must be more than 0 minutes/],
    [
      'a conflict with nobody',
      { candidates: [{ id: 1, conflicts: ['zz'] }] },
      /\/candidates\/0\/conflicts\/0: zz is no examiner of this file/,
    ],
    [
      'a time that is none',
      { days: [{ start: 'morning', end: 'noon' }] },
      /\/days\/0\/start: must be a time of ISO 8601/,
    ],
    [
      'a time without a zone beside those with one',
      { days: [{ start: '2027-05-21T08:00:00', end: '2027-05-21T18:00:00+02:00' }] },
      /\/days\/0\/end: .* names a zone, and other times of the file do not/,
    ],
    [
      'presence in another kind of time',
      {
        examiners: [
          { id: 'e1', available: [{ start: '2027-05-21T08:00:00', end: '2027-05-21T09:00:00' }] },
        ],
      },
      /\/examiners\/0\/available\/0\/start: .* names no zone/,
    ],
    [
      'a day that ends before it begins',
      { days: [{ start: '2027-05-21T17:00:00Z', end: '2027-05-21T08:00:00Z' }] },
      /\/days\/0\/end: .*08:00:00Z is not after .*17:00:00Z/,
    ],
    [
      'more candidates than anybody examines',
      { candidates: Array.from({ length: 100_000 }, (_, id) => ({ id })) },
      /\/candidates: there may be 2000 candidates at most/,
    ],
    ['rests without end', { rests: 1e9 }, /\/rests: /],
    ['circuits without end', { circuits: 1e9 }, /\/circuits: /],
    [
      'more candidates than the day holds',
      { days: [{ start: '2027-05-21T08:00:00Z', end: '2027-05-21T08:40:00Z' }] },
      /8 candidates do not fit: the days hold \d+.*a circuit or a day more would hold them/,
    ],
    [
      'nobody for a station',
      { examiners: [{ id: 'e1', stations: ['A', 'B'] }] },
      /Nobody may examine station C\. Name an examiner for it\. Nothing was planned/,
    ],
    [
      'a patient for no station',
      { simulatedPatients: [{ id: 'p1', stations: [] }] },
      /p1 may play no station’s patient/,
    ],
  ])('is refused in words, and nothing is planned: %s', async (_, change, why) => {
    const { candidates, ...rest } = PROBLEM;
    const own = { candidates: candidates.map(({ id }) => ({ id })), ...rest };
    const { status, stdout, stderr } = await planned({ ...own, ...change });
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(why);
  });
});
