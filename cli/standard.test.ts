import { describe, expect, it } from 'vitest';
import { file, run } from './testing/runCommand.ts';

describe('the command on standards, accuracy and plans', () => {
  it('gives the cut of a borderline regression', async () => {
    const path = file('s.csv', 'score,grade\n30,1\n45,2\n60,3\n75,4\n90,5\n,3\n');
    const result = (
      await run(
        'standard',
        path,
        '--method',
        'borderline-regression',
        '--score',
        'score',
        '--grade',
        'grade',
        '--borderline',
        '2.5',
        '--json',
      )
    ).json();
    expect(result.cut).toBeCloseTo(52.5, 10);
    expect(result).toMatchObject({ n: 5, passRate: 0.6 });
    expect(result.notes.join(' ')).toMatch(/1 rows without score or grade/);
  });

  it('gives accuracy with post-test probabilities, and a table for people', async () => {
    const flags = [
      'accuracy',
      '--tp',
      '24',
      '--fp',
      '3',
      '--fn',
      '6',
      '--tn',
      '70',
      '--pretest',
      '0.3',
    ];
    expect((await run(...flags, '--json')).json().postTestPositive.estimate).toBeCloseTo(0.893, 3);
    expect((await run(...flags)).stdout).toMatch(
      /sensitivity +0\.80000 +95 %: 0\.62\d+ to 0\.90\d+/,
    );
  });

  it('gives the cuts of panels and of Hofstee, and says where Hofstee has none', async () => {
    const judges = file('j.csv', 'judge,i1,i2\nA,50,70\nB,60,80\n');
    expect((await run('angoff', judges, '--percent', '--json')).json()).toMatchObject({
      cut: 65,
      standardError: 5,
    });
    expect((await run('angoff', judges)).stderr).toMatch(/look like percentages: say --percent/);
    const shares = file('shares.csv', 'judge,i1,i2\nA,0.5,0.7\nB,0.6,0.8\n');
    expect((await run('angoff', shares, '--percent')).stderr).toMatch(
      /look like shares: leave out --percent/,
    );
    const scores = file(
      'h.csv',
      ['score', ...Array.from({ length: 100 }, (_, i) => i + 1)].join('\n'),
    );
    const bounds = async (...b: string[]) =>
      (
        await run(
          'hofstee',
          scores,
          '--lowest-cut',
          b[0] ?? '',
          '--highest-cut',
          b[1] ?? '',
          '--fewest-fails',
          b[2] ?? '',
          '--most-fails',
          b[3] ?? '',
          '--json',
        )
      ).json();
    expect(Math.abs((await bounds('40', '60', '0', '1')).cut - 50)).toBeLessThan(1);
    expect((await bounds('80', '90', '0', '0.2')).cut).toBeNull();
    const decisions = (
      await run('livingston-lewis', scores, '--reliability', '0.8', '--cut', '50', '--json')
    ).json();
    expect(decisions.accuracy).toBeGreaterThan(decisions.consistency);
  });

  it('plans a day, and prints tables for people', async () => {
    const day = await run(
      'circuit',
      '--candidates',
      '24',
      '--stations',
      '10',
      '--rests',
      '2',
      '--circuits',
      '2',
      '--reading',
      '2',
    );
    expect(day.stdout).toMatch(/length +131/);
    expect(day.stdout).toMatch(/wave +candidates/);
    expect((await run('circuit', '--candidates', '24', '--stations', '0')).stderr).toMatch(
      /from 1 to 100, not "0"/,
    );
  });

  it.each([
    ['borderline-group', 55],
    ['contrasting-groups', 60],
    ['cohen', 0.6 * 88.5],
    ['mean-sd', 40],
    ['fixed', 50],
  ])('sets a standard by %s', async (method, cut) => {
    const path = file('m.csv', 'score,grade\n30,1\n50,2\n60,3\n70,4\n90,5\n');
    const result = (await run('standard', path, '--method', method, '--json')).json();
    expect(Math.abs(result.cut - cut)).toBeLessThan(6);
    expect(result.n).toBe(5);
  });
});
