import { describe, expect, it } from 'vitest';
import { file, run } from './testing/runCommand.ts';

describe('the verbs of the pages', () => {
  const sheets = [
    'candidate,station,mark',
    ...Array.from({ length: 12 }, (_, i) =>
      ['a', 'b', 'c'].map(
        (station, s) => `${i},${station},${50 + 3 * i + 7 * ((i * (s + 2)) % 3)}`,
      ),
    ).flat(),
  ].join('\n');
  const stations = (shift: number) =>
    [
      'candidate,one,two,three,four',
      ...Array.from(
        { length: 30 },
        (_, i) => `${i},${[0, 1, 2, 3].map((s) => 50 + i + ((i * (s + 3)) % 7) + shift).join(',')}`,
      ),
    ].join('\n');

  it('say how far an examination can be trusted', async () => {
    const found = (await run('trust', file('sheets.csv', sheets), '--cut', '60', '--json')).json();
    expect(found.sentence).toMatch(/^The mean over 3 stations has a dependability of 0\.\d\d/);
    expect(
      found.shares.reduce((sum: number, s: { share: number }) => sum + s.share, 0),
    ).toBeCloseTo(1, 12);
    expect(found).toMatchObject({ sheets: 36, candidates: 12, stations: 3 });
  });

  it('tell a better cohort from an easier paper: all stations rise by 5', async () => {
    const [now, then] = [file('now.csv', stations(5)), file('then.csv', stations(0))];
    const found = (
      await run(
        'years',
        now,
        then,
        '--anchors',
        '1=1,2=2,3=3',
        '--method',
        'mean',
        '--resamples',
        '200',
        '--json',
      )
    ).json();
    expect(found.cohort.estimate).toBeCloseTo(5, 9);
    expect(found.paper.estimate).toBeCloseTo(0, 9);
    expect(found.anchors.map((a: { station: string }) => a.station)).toEqual([
      'one',
      'two',
      'three',
    ]);
    expect((await run('years', now, then, '--anchors', '1=9')).stderr).toMatch(
      /there are columns 1 to \d this year and 1 to \d last year/,
    );
    for (const anchors of ['one=one', '0=1', '1']) {
      const refused = await run('years', now, then, '--anchors', anchors);
      expect(refused.status).toBe(2);
      expect(refused.stderr).toContain(`not "${anchors}"`);
    }
    const few = (await run('years', now, then, '--anchors', '1=1', '--json')).json();
    expect(few.cohort.estimate).toBeNull();
    expect(few.cohort.notes[0]).toMatch(/too few to tell/);
  });

  it('give errors by candidates where each has several items', async () => {
    const rows = Array.from({ length: 20 }, (_, c) =>
      ['x', 'y', 'z'].map((item) => {
        const first = (c * 7) % 3 === 0 ? 0 : 1;
        return `${c},A,${item},${first}\n${c},B,${item},${c % 5 === 0 ? 1 - first : first}`;
      }),
    ).flat();
    const path = file('items.csv', ['candidate,examiner,item,mark', ...rows].join('\n'));
    const plain = (await run('agreement', path, '--json')).json();
    const own = (await run('agreement', path, '--by-candidate', '--json')).json();
    expect(own.cohenKappa.estimate).toBe(plain.cohenKappa.estimate);
    // The three items of a candidate are one and the same, so they tell as much as one.
    const inflated = own.cohenKappa.standardError / plain.cohenKappa.standardError;
    expect(inflated).toBeCloseTo(Math.sqrt(3 * (20 / 19)), 6);
    expect(own.cohenKappa.n).toBe(20);
    const both = await run('agreement', path, '--by-candidate', '--resamples', '100');
    expect(both.status).toBe(2);
    expect(both.stderr).toMatch(/say one of them/);
  });

  it('leave open what hangs on a critical item that nobody observed', async () => {
    const scores = file('stations.csv', 'candidate,a,b\n1,70,70\n2,70,70\n3,20,70\n');
    const unseen = file('unseen.csv', 'candidate,a,b\n1,0,1\n2,0,0\n3,1,0\n');
    const found = (
      await run(
        'exam-rule',
        scores,
        '--cuts',
        '50',
        '--stations',
        '2',
        '--unseen',
        unseen,
        '--json',
      )
    ).json();
    expect(found.candidates.map((c: { outcome: string }) => c.outcome)).toEqual([
      'incomplete',
      'pass',
      'fail',
    ]);
    const other = file('odd.csv', 'candidate,a\n1,0\n');
    const refused = await run('exam-rule', scores, '--cuts', '50', '--unseen', other);
    expect(refused.stderr).toMatch(/has a column "b", .*odd\.csv has none/);
  });
});
