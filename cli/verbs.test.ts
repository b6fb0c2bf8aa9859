import { writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { agreement } from './agreement.ts';
import { consequences, equate, examRule, huynh } from './decisions.ts';
import { beukCut, ebelCut, rounds } from './panels.ts';
import { kendall, marginal, sampleSize, severity } from './raters.ts';
import { reliability } from './reliability.ts';
import { pathOf, run } from './testing/runCommand.ts';

let files = 0;
function file(...rows: readonly string[]): string {
  const path = pathOf(`verb-${files++}.csv`);
  writeFileSync(path, `${rows.join('\n')}\n`);
  return path;
}

describe('the verbs on raters', () => {
  it('kendall: identical rankings agree fully, and one rater cannot', async () => {
    expect(await kendall(file('c,a,b', '1,1,10', '2,2,20', '3,3,30'))).toMatchObject({
      kendallW: expect.closeTo(1, 12),
      subjects: 3,
      raters: 2,
    });
    expect((await kendall(file('c,a', '1,1', '2,2'))).notes[0]).toMatch(/needs two raters/);
  });

  it('marginal: cells 10, 2 / 8, 20 give Stuart-Maxwell 3.6 and McNemar on 2 and 8', async () => {
    const rows = [
      ...Array.from({ length: 10 }, () => '0,0'),
      ...Array.from({ length: 2 }, () => '0,1'),
      ...Array.from({ length: 8 }, () => '1,0'),
      ...Array.from({ length: 20 }, () => '1,1'),
    ].map((pair, i) => `${i},${pair}`);
    const result = await marginal(file('c,a,b', ...rows), {});
    expect(result.stuartMaxwell?.chiSquare).toBeCloseTo(3.6, 10);
    // Two-sided exact binomial of 2 in 10: 2 (1 + 10 + 45) / 1024.
    expect(result.mcNemar).toBeCloseTo((2 * 56) / 1024, 10);
  });

  it('sample-size: Donner & Eliasziw’s 62 and Bonett’s 55', async () => {
    const usual = { prevalence: 0.5, raters: 2 };
    expect(sampleSize({ ...usual, kappa: 0.6, halfWidth: 0.2 }).candidates).toBe(62);
    expect(sampleSize({ ...usual, icc: 0.8, halfWidth: 0.1 }).candidates).toBe(55);
    expect(() => sampleSize({ ...usual, halfWidth: 0.1 })).toThrow(/--kappa with --prevalence, or/);
  });

  it('severity: names the examiners, the hard one first in severity', async () => {
    const rows = [1, 2, 3, 4, 5, 6].flatMap((c) => [
      `${c},Ada,${c + (c % 2)}`,
      `${c},Ben,${c - 2}`,
    ]);
    const result = await severity(file('candidate,examiner,mark', ...rows), {
      model: 'candidate + examiner',
      examiner: 'examiner',
    });
    const [ada, ben] = result.examiners;
    expect([ada?.name, ben?.name]).toEqual(['Ada', 'Ben']);
    expect(ben?.severity).toBeGreaterThan(ada?.severity ?? NaN);
    expect(result.n).toBe(12);
  });

  it('agreement: the largest kappa that the margins allow, by the docstring .80', async () => {
    const cells = [...Array(20).fill('0,0'), ...Array(5).fill('0,1'), ...Array(10).fill('1,0')];
    const rows = [...cells, ...Array(15).fill('1,1')].map((pair, i) => `${i},${pair}`);
    const result = await agreement(file('c,a,b', ...rows), {
      level: 'nominal',
      weights: 'unweighted',
      seed: 1,
      generator: 2,
      interval: 'percentile',
    });
    expect(result).toMatchObject({ maximumKappa: expect.closeTo(0.8, 12) });
  });

  it('reliability: the standard error of measurement is SD root (1 - alpha) of the sum', async () => {
    const path = file('c,x,y', '1,1,2', '2,2,2', '3,4,5', '4,5,4');
    const { sem, alpha } = await reliability(path);
    const totals = [3, 4, 9, 9];
    const mean = 25 / 4;
    const sd = Math.sqrt(totals.reduce((sum, t) => sum + (t - mean) ** 2, 0) / 3);
    expect(sem).toBeCloseTo(sd * Math.sqrt(1 - (alpha.estimate ?? NaN)), 10);
  });
});

describe('the verbs on panels', () => {
  it('ebel: cells of weight 3 and 1 with shares .8 and .4 give 70', async () => {
    const path = file('judge,easy/essential,hard/useful', 'A,80,40', 'B,80,40');
    const result = await ebelCut(path, { weights: [3, 1], percent: true });
    expect(result).toMatchObject({ cut: 70, standardError: 0, n: 2 });
    await expect(ebelCut(path, { weights: [3], percent: true })).rejects.toThrow(/takes 2 numbers/);
  });

  it('rounds: the spread falls, and a judge who ranks items as candidates do follows the data', async () => {
    const first = file('judge,i,j,k', 'A,.2,.5,.9', 'B,.9,.8,.5');
    const second = file('judge,i,j,k', 'A,.3,.5,.8', 'B,.8,.7,.5');
    const earned = file('candidate,i,j,k', '1,0.2,0.5,0.8', '2,0.3,0.5,0.9');
    const result = await rounds([first, second], { earned });
    const [one, two] = result.rounds;
    expect(two?.spread).toBeLessThan(one?.spread ?? NaN);
    expect(result.judgesAgainstData?.[0]).toBeGreaterThan(0.95);
    expect(result.judgesAgainstData?.[1]).toBeLessThan(-0.9);
    const short = file('judge,i', 'A,.2', 'B,.3');
    await expect(rounds([first, short], {})).rejects.toThrow(/has a column "j", .* has none/);
  });

  it('beuk: scores 1 to 100 with judges (50, .4) and (60, .6) give 53.5', async () => {
    const scores = file('score', ...Array.from({ length: 100 }, (_, i) => String(i + 1)));
    const judges = file('judge,cut,pass-rate', 'A,50,0.4', 'B,60,0.6');
    const flags = { score: 'score', lowest: 0, highest: 100 };
    const result = await beukCut(scores, judges, flags);
    expect(result).toMatchObject({ cut: expect.closeTo(53.5, 6), passRate: 0.47, judges: 2 });
  });
});

describe('the verbs on decisions', () => {
  it('huynh: refuses what is not a number right, and finds more consistency far from the middle', async () => {
    const path = file('score', ...[3, 5, 6, 6, 7, 8, 9, 10, 4, 7].map(String));
    const at = async (cut: number) =>
      (await huynh(path, { score: 'score', items: 10, cut })).consistency;
    expect(await at(1)).toBeGreaterThan((await at(6)) ?? 1);
    await expect(huynh(path, { score: 'score', items: 8, cut: 6 })).rejects.toThrow(
      /9 is not a number right, a whole number from 0 to 8/,
    );
  });

  it('equate: a cohort 5 better on a paper 5 easier, 68 is last year’s 63', async () => {
    const cohort = (shift: number, total: number) =>
      file('total,anchor', ...[-2, 0, 2].map((d) => `${total + d},${60 + shift + d}`));
    const flags = { total: 'total', anchor: 'anchor', method: 'mean', score: 68 } as const;
    expect(await equate(cohort(5, 68), cohort(0, 58), flags)).toMatchObject({
      cohortDifference: 5,
      paperDifference: 5,
      lastYearsScore: 63,
    });
  });

  it('consequences: scores 40, 55, 60 with cuts 50 and 58 lose one', async () => {
    const path = file('score', '40', '55', '60');
    const result = await consequences(path, {
      score: 'score',
      ...{
        cuts: [
          ['angoff', 50],
          ['regression', 58],
        ],
        sem: 3,
        lowest: 0,
        highest: 100,
      },
    });
    expect(result.cuts).toMatchObject([
      { method: 'angoff', passed: 2, failed: 1, lost: 0 },
      { method: 'regression', passed: 1, failed: 2, lost: 1, withinOneSem: 2 },
    ]);
  });

  it('exam-rule: a missed critical item fails its station whatever the score', async () => {
    const stations = file('candidate,knee,hip', '1,80,90', '2,50,60', '3,30,80', '4,60,');
    const critical = file('candidate,knee,hip', '1,1,0', '2,0,0', '3,0,0', '4,0,0');
    const flags = { cuts: [50, 60], k: 0, stations: 2 };
    const plain = await examRule(stations, flags);
    expect(plain.candidates.map((c) => c.outcome)).toEqual(['pass', 'pass', 'fail', 'incomplete']);
    const strict = await examRule(stations, { ...flags, critical });
    expect(strict.candidates[0]).toMatchObject({ outcome: 'fail', stationsPassed: 1 });
    // Joined by the names of the candidates, whatever their order.
    const safety = file('candidate,laid,open', '4,1,1', '3,0,0', '2,0,1', '1,0,0');
    const safe = await examRule(stations, { ...flags, safety });
    expect(safe.candidates.map((c) => c.outcome)).toEqual([
      'pass',
      'incomplete',
      'fail',
      'incomplete',
    ]);
    expect(safe.candidates[1]?.reasons.join()).toMatch(/not been followed up/);
    const laid = file('candidate,open,laid', '1,0,2', '2,0,0', '3,0,0', '4,0,0');
    expect((await examRule(stations, { ...flags, safety: laid })).candidates[0]?.reasons).toEqual([
      '2 safety events are laid to the candidate.',
    ]);
    await expect(examRule(stations, { ...flags, safety: critical })).rejects.toThrow(
      /--safety names a file without the column laid/,
    );
    await expect(examRule(stations, { ...flags, cuts: [50, 60, 70] })).rejects.toThrow(
      /names 3 cuts for 2 stations/,
    );
  });
});

describe('every verb', () => {
  it('helps with an example', async () => {
    const list = (await run('--help')).stdout;
    const verbs = [...list.matchAll(/^ {2}([a-z-]+) \[/gm)].map((m) => m[1]);
    expect(verbs.length).toBeGreaterThanOrEqual(26);
    for (const verb of ['beuk', 'exam-rule', 'severity', 'equate']) expect(verbs).toContain(verb);
    expect((await run('beuk', '--help')).stdout).toMatch(
      /Example:\s+npm run --silent kritikos -- beuk/,
    );
  });

  it('takes its flags from the command line', async () => {
    const scores = file('score,grade', '40,1', '55,2', '60,3', '70,4');
    const result = await run('consequences', scores, '--cuts', 'a=50,b=58', '--json');
    expect(result.json().reference).toBe('a');
    const stations = file('candidate,knee', '1,80', '2,50');
    expect((await run('exam-rule', stations, '--cuts', '60', '--json')).json()).toMatchObject({
      passed: 1,
      failed: 1,
    });
    expect(
      (await run('equate', scores, scores, '--total', 'score', '--anchor', 'nothing')).status,
    ).toBe(2);
  });
});
