import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'kritikos-cli-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function file(name: string, content: string): string {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
}

function run(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'cli/main.ts', ...args],
    { encoding: 'utf8' },
  );
  return { status, stdout, stderr, json: () => JSON.parse(stdout) };
}

const SHROUT_FLEISS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];
const wide = ['target,a,b,c,d', ...SHROUT_FLEISS.map((row, i) => `${i + 1},${row.join(',')}`)].join(
  '\n',
);
const long = [
  'candidate,examiner,mark',
  ...SHROUT_FLEISS.flatMap((row, i) => row.map((x, j) => `${i},${'abcd'[j]},${x}`)),
].join('\n');

describe('the analysis command', () => {
  it('gives Shrout & Fleiss’ six correlations from a wide and from a long file', () => {
    const fromWide = run('icc', file('wide.csv', wide), '--json').json();
    const fromLong = run('icc', file('long.csv', long), '--json').json();
    expect(fromWide.ICC21.estimate).toBeCloseTo(0.29, 2);
    expect(Object.keys(fromWide)).toEqual(
      expect.arrayContaining([
        'ICC11',
        'ICC21',
        'ICC31',
        'ICC1k',
        'ICC2k',
        'ICC3k',
        'semAgreement',
        'semConsistency',
        'mdc95',
      ]),
    );
    expect(fromLong).toEqual(fromWide);
  });

  it('reads semicolons, decimal commas and a byte-order mark alike', () => {
    const plain = run('reliability', file('p.csv', 'c,x,y\n1,1.5,2\n2,2.5,3\n3,3,5\n'), '--json');
    const other = run(
      'reliability',
      file('o.csv', '\ufeffc;x;y\r\n1;1,5;2\r\n2;2,5;3\r\n\r\n3;3;5\r\n'),
      '--json',
    );
    expect(other.stdout).toBe(plain.stdout);
    expect(Object.keys(plain.json())).toEqual(
      expect.arrayContaining([
        'alpha',
        'alphaIfDeleted',
        'itemTotal',
        'guttmanLambda2',
        'spearmanBrown',
      ]),
    );
  });

  it('prints all agreement coefficients under their keys; Krippendorff 2011 with its gaps', () => {
    const observers = [
      [1, 2, 3, 3, 2, 1, 4, 1, 2, '', '', ''],
      [1, 2, 3, 3, 2, 2, 4, 1, 2, 5, '', 3],
      ['', 3, 3, 3, 2, 3, 4, 2, 2, 5, 1, ''],
      [1, 2, 3, 3, 2, 4, 4, 1, 2, 5, 1, ''],
    ];
    const rows = Array.from({ length: 12 }, (_, u) =>
      [u + 1, ...observers.map((o) => o[u])].join(','),
    );
    const path = file('k.csv', ['unit,a,b,c,d', ...rows].join('\n'));
    const ordinal = run(
      'agreement',
      path,
      '--level',
      'ordinal',
      '--resamples',
      '200',
      '--seed',
      '7',
      '--json',
    ).json();
    expect(ordinal.krippendorffAlpha.estimate).toBeCloseTo(0.815, 3);
    expect(ordinal.missing).toBe(7);
    expect(ordinal.cohenKappa).toBeNull();
    for (const key of [
      'percentAgreement',
      'fleissKappa',
      'congerKappa',
      'lightKappa',
      'scottPi',
      'brennanPrediger',
      'gwetAC',
      'krippendorffAlpha',
    ]) {
      expect(Object.keys(ordinal[key])).toEqual(
        expect.arrayContaining(['estimate', 'lower', 'upper', 'standardError', 'method', 'notes']),
      );
    }
  });

  it('adds prevalence, bias and PABAK for two raters of two categories, words allowed', () => {
    const rows = Array.from(
      { length: 100 },
      (_, i) =>
        `${i},${i < 90 ? 'pass' : 'fail'},${i < 80 || (i >= 90 && i < 95) ? 'pass' : 'fail'}`,
    );
    const result = run(
      'agreement',
      file('w.csv', ['s,a,b', ...rows].join('\n')),
      '--resamples',
      '50',
      '--json',
    ).json();
    expect(result.cohenKappa.estimate).toBeCloseTo(0.32, 2);
    expect(result.pabak.estimate).toBeCloseTo(0.7, 10);
    expect(result.prevalenceIndex).toBeCloseTo(0.75, 10);
    expect(result.biasIndex).toBeCloseTo(0.05, 10);
  });

  it('gives variance components with interactions', () => {
    const rows = Array.from(
      { length: 240 },
      (_, i) =>
        `c${i % 20},s${Math.floor(i / 20) % 4},${50 + (i % 20) + 3 * (Math.floor(i / 20) % 4) + ((i * 37) % 11)}`,
    );
    const path = file('v.csv', ['candidate,station,mark', ...rows].join('\n'));
    const result = run(
      'variance',
      path,
      '--model',
      'candidate + station + candidate:station',
      '--fixed',
      '1',
      '--json',
    ).json();
    expect(Object.keys(result.components)).toEqual([
      'candidate',
      'station',
      'candidate:station',
      'residual',
    ]);
    expect(result.components.candidate).toBeGreaterThan(20);
    expect(result).toMatchObject({ n: 240, fixed: { intercept: expect.any(Number) } });
    expect(result.logRestrictedLikelihood).toBeLessThan(0);
  });

  it('gives the cut of a borderline regression', () => {
    const path = file('s.csv', 'score,grade\n30,1\n45,2\n60,3\n75,4\n90,5\n,3\n');
    const result = run(
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
    ).json();
    expect(result.cut).toBeCloseTo(52.5, 10);
    expect(result).toMatchObject({ n: 5, passRate: 0.6 });
    expect(result.notes.join(' ')).toMatch(/1 rows without score or grade/);
  });

  it('gives accuracy with post-test probabilities, and a table for people', () => {
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
    expect(run(...flags, '--json').json().postTestPositive.estimate).toBeCloseTo(0.893, 3);
    expect(run(...flags).stdout).toMatch(/sensitivity +0\.80000 +95 %: 0\.62\d+ to 0\.90\d+/);
  });

  it.each([
    [
      'a word among numbers',
      ['icc', 'wide'],
      'c,a,b\n1,2,x\n',
      /Row 2, column "b": "x" is not a number/,
    ],
    ['a row too short', ['icc', 'wide'], 'c,a,b\n1,2\n', /Row 2 has 2 cells, the header has 3/],
    [
      'the same mark twice',
      ['icc', 'long'],
      'candidate,examiner,mark\n1,a,2\n1,a,3\n',
      /Row 3, column "mark": a has marked this subject already/,
    ],
    [
      'a missing column',
      ['standard', 'wide'],
      'points,grade\n1,2\n',
      /no column "score"\. It has: points, grade/,
    ],
    ['nothing', ['reliability', 'wide'], '', /empty/],
  ])('refuses %s with status 2 and computes nothing', (_, [verb], content, why) => {
    const { status, stdout, stderr } = run(verb ?? '', file('bad.csv', content), '--json');
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(why);
  });

  it('refuses unknown flags and files, and helps with an example', () => {
    expect(run('icc', join(folder, 'not-there.csv')).status).toBe(2);
    expect(run('agreement', file('x.csv', wide), '--level', 'sideways').status).toBe(2);
    const help = run('agreement', '--help');
    expect(help.status).toBe(0);
    expect(help.stdout).toMatch(/Example:/);
  });
});
