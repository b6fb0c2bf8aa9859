import { describe, expect, it } from 'vitest';
import { file, long, run, wide } from './testing/runCommand.ts';

describe('the command on agreement', () => {
  it('gives Shrout & Fleiss’ six correlations from a wide and from a long file', async () => {
    const fromWide = (await run('icc', file('wide.csv', wide), '--json')).json();
    const fromLong = (await run('icc', file('long.csv', long), '--json')).json();
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

  it('reads semicolons, decimal commas and a byte-order mark alike', async () => {
    const plain = await run(
      'reliability',
      file('p.csv', 'c,x,y\n1,1.5,2\n2,2.5,3\n3,3,5\n'),
      '--json',
    );
    const other = await run(
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

  it('prints all agreement coefficients under their keys; Krippendorff 2011 with its gaps', async () => {
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
    const ordinal = (
      await run(
        'agreement',
        path,
        '--level',
        'ordinal',
        '--resamples',
        '200',
        '--seed',
        '7',
        '--json',
      )
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

  it('adds prevalence, bias and PABAK for two raters of two categories, words allowed', async () => {
    const rows = Array.from(
      { length: 100 },
      (_, i) =>
        `${i},${i < 90 ? 'pass' : 'fail'},${i < 80 || (i >= 90 && i < 95) ? 'pass' : 'fail'}`,
    );
    const result = (
      await run(
        'agreement',
        file('w.csv', ['s,a,b', ...rows].join('\n')),
        '--resamples',
        '100',
        '--json',
      )
    ).json();
    expect(result.cohenKappa.estimate).toBeCloseTo(0.32, 2);
    expect(result.pabak.estimate).toBeCloseTo(0.7, 10);
    expect(result.prevalenceIndex).toBeCloseTo(0.75, 10);
    expect(result.biasIndex).toBeCloseTo(0.05, 10);
  });

  it('gives Bland & Altman’s limits of their peak flow meters', async () => {
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
    const result = (await run('bland-altman', path, '--json')).json();
    expect(result.bias.estimate).toBeCloseTo(-2.1, 1);
    expect(result.sd).toBeCloseTo(38.8, 1);
    // R's epiR 2.0.52, epi.ccc: .94274243, .85049187 to .97872628.
    expect(result.concordance.estimate).toBeCloseTo(0.94274243, 7);
    // Its limits are 1.96 errors of Fisher's z away; ours are t of 15 degrees of freedom, 2.1314.
    const z = Math.atanh(0.94274243);
    const error = (z - Math.atanh(0.85049187)) / 1.959964;
    expect(result.concordance.lower).toBeCloseTo(Math.tanh(z - 2.1314 * error), 3);
  });

  it('reads one rater, one subject, one category and nothing but gaps without a number made up', async () => {
    for (const content of [
      's,a\n1,2\n2,3\n',
      's,a,b\n1,2,3\n',
      's,a,b\n1,2,2\n2,2,2\n',
      's,a,b\n1,,\n2,,\n',
    ]) {
      const result = await run(
        'agreement',
        file('odd.csv', content),
        '--resamples',
        '100',
        '--json',
      );
      expect(result.status).toBe(0);
      expect(result.stdout).not.toMatch(/NaN|Infinity/);
      const { fleissKappa } = result.json();
      if (fleissKappa.estimate === null) expect(fleissKappa.notes[0]).toMatch(/\w+ .+/);
    }
  });
});
