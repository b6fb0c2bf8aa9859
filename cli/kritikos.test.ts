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
    { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
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

  it('measures ability and severity, and refuses a design that falls apart', () => {
    const rows = Array.from({ length: 120 }, (_, i) => {
      const [c, e] = [i % 20, Math.floor(i / 20) % 3];
      return `c${c},e${e},${Math.min(3, Math.max(0, ((c * 7 + i * 3) % 4) - (e === 2 ? 1 : 0)))}`;
    });
    const path = file('r.csv', ['candidate,examiner,mark', ...rows].join('\n'));
    const result = run('rasch', path, '--facets', 'candidate + examiner', '--json').json();
    const severity = Object.fromEntries(
      result.facets.examiner.elements.map((e: { name: string; measure: number }) => [
        e.name,
        e.measure,
      ]),
    );
    expect(severity.e2).toBeGreaterThan(severity.e0);
    const apart = file('a.csv', 'candidate,examiner,mark\na,x,1\nb,x,0\nc,y,1\nd,y,0\n');
    const refused = run('rasch', apart, '--facets', 'candidate + examiner');
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/falls apart into 2 unconnected sets/);
  });

  it('says what designs are worth, and which is cheapest', () => {
    const rows = SHROUT_FLEISS.flatMap((row, i) => row.map((x, j) => `${i},${j},${x}`));
    const path = file('d.csv', ['candidate,station,mark', ...rows].join('\n'));
    const result = run(
      'dstudy',
      path,
      '--facets',
      'candidate + station',
      '--sizes',
      'station=4,20',
      '--wished',
      '0.7',
      '--json',
    ).json();
    expect(result.designs[0].dependability).toBeCloseTo(0.62, 2);
    expect(result.designs[0].generalizability).toBeCloseTo(0.91, 2);
    expect(result.cheapest.sizes).toEqual({ station: 20 });
    expect(run('dstudy', path, '--facets', 'candidate + station', '--sizes', 'room=4').status).toBe(
      2,
    );
  });

  it('gives the cuts of panels and of Hofstee, and says where Hofstee has none', () => {
    const judges = file('j.csv', 'judge,i1,i2\nA,50,70\nB,60,80\n');
    expect(run('angoff', judges, '--percent', '--json').json()).toMatchObject({
      cut: 65,
      standardError: 5,
    });
    expect(run('angoff', judges).stderr).toMatch(/50 is not between 0 and 1/);
    const scores = file(
      'h.csv',
      ['score', ...Array.from({ length: 100 }, (_, i) => i + 1)].join('\n'),
    );
    const bounds = (...b: string[]) =>
      run(
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
      ).json();
    expect(Math.abs(bounds('40', '60', '0', '1').cut - 50)).toBeLessThan(1);
    expect(bounds('80', '90', '0', '0.2').cut).toBeNull();
    const decisions = run(
      'livingston-lewis',
      scores,
      '--reliability',
      '0.8',
      '--cut',
      '50',
      '--json',
    ).json();
    expect(decisions.accuracy).toBeGreaterThan(decisions.consistency);
  });

  it('gives Bland & Altman’s limits of their peak flow meters', () => {
    const wright = [
      494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427,
    ];
    const mini = [
      512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451,
    ];
    const path = file(
      'ba.csv',
      ['s,wright,mini', ...wright.map((x, i) => `${i},${x},${mini[i]}`)].join('\n'),
    );
    const result = run('bland-altman', path, '--json').json();
    expect(result.bias.estimate).toBeCloseTo(-2.1, 1);
    expect(result.sd).toBeCloseTo(38.8, 1);
    // R's epiR 2.0.52, epi.ccc: .94274243, .85049187 to .97872628.
    expect(result.concordance.estimate).toBeCloseTo(0.94274243, 7);
    expect(result.concordance.lower).toBeCloseTo(0.85049187, 3);
  });

  it('plans a day, and prints tables for people', () => {
    const day = run(
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
    expect(run('circuit', '--candidates', '24', '--stations', '0').stderr).toMatch(/0 stations/);
  });

  it.each([
    ['borderline-group', 55],
    ['contrasting-groups', 60],
    ['cohen', 0.6 * 88.5],
    ['mean-sd', 40],
    ['fixed', 50],
  ])('sets a standard by %s', (method, cut) => {
    const path = file('m.csv', 'score,grade\n30,1\n50,2\n60,3\n70,4\n90,5\n');
    const result = run('standard', path, '--method', method, '--json').json();
    expect(Math.abs(result.cut - cut)).toBeLessThan(6);
    expect(result.n).toBe(5);
  });

  it('reads one rater, one subject, one category and nothing but gaps without a number made up', () => {
    for (const content of [
      's,a\n1,2\n2,3\n',
      's,a,b\n1,2,3\n',
      's,a,b\n1,2,2\n2,2,2\n',
      's,a,b\n1,,\n2,,\n',
    ]) {
      const result = run('agreement', file('odd.csv', content), '--resamples', '20', '--json');
      expect(result.status).toBe(0);
      expect(result.stdout).not.toMatch(/NaN|Infinity/);
      const { fleissKappa } = result.json();
      if (fleissKappa.estimate === null) expect(fleissKappa.notes[0]).toMatch(/\w+ .+/);
    }
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

describe('the catalogue as files', () => {
  it('writes a checklist that it takes again, and refuses a broken one by path', () => {
    const written = run('catalogue', 'elbow-valgus-stress', '--as', 'checklist');
    expect(written.status).toBe(0);
    const path = file('valgus.json', written.stdout);
    const taken = run('check', path, '--json');
    expect(taken.json()).toMatchObject({ holds: 'checklist', procedure: 'elbow-valgus-stress' });

    const broken = written.json();
    broken.checklist.items[2].weight = -1;
    const refused = run('check', file('broken.json', JSON.stringify(broken)));
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/nothing of it is taken/);
    expect(refused.stderr).toMatch(/\/checklist\/items\/2\/weight/);
  });

  it('writes a Questionnaire, the whole catalogue and the schema', () => {
    const fhir = run('catalogue', 'calf-squeeze', '--as', 'fhir').json();
    expect(fhir.resourceType).toBe('Questionnaire');
    const whole = run('catalogue');
    expect(run('check', file('whole.json', whole.stdout), '--json').json()).toEqual({
      holds: 'catalogue',
      procedures: whole.json().procedures.length,
    });
    expect(run('catalogue', '--schema').json().$schema).toMatch(/2020-12/);
    expect(run('catalogue', 'no-such-test').stderr).toMatch(/no procedure "no-such-test"/);
  });
});
