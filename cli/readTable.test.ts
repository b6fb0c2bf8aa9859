import { writeFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { agreement } from './agreement.ts';
import type { AgreementFlags } from './agreement.ts';
import { reading } from './readingFlags.ts';
import { readMarks } from './readMarks.ts';
import { readNumbers } from './readRatings.ts';
import { standard } from './standard.ts';
import { pathOf } from './testing/runCommand.ts';

const usual = { ...reading };
afterEach(() => void Object.assign(reading, usual));

function file(content: string | Buffer): string {
  const path = pathOf(`file-${Math.random().toString(36).slice(2)}.csv`);
  writeFileSync(path, content);
  return path;
}
const nominal: AgreementFlags = {
  level: 'nominal',
  weights: 'unweighted',
  seed: 1,
  generator: 2,
  interval: 'percentile',
};
const agree = (content: string | Buffer, flags: Partial<AgreementFlags> = {}) =>
  agreement(file(content), { ...nominal, ...flags });

describe('a file that cannot be meant', () => {
  it.each<[string, string | Buffer, RegExp]>([
    ['a quotation mark inside a cell', 'c,a,b\n1,2,3\n2,x"y,3\n', /Row 3: a quotation mark/],
    [
      'a flaw far down',
      `c,a,b\n${Array.from({ length: 50 }, (_, i) => `${i},1,2\n`).join('')}99,1,2"3\n`,
      /Row 52: a quotation mark/,
    ],
    ['an empty last column', 'c,a,b,\n1,2,3,\n', /Row 1: column 4 has no name/],
    ['two columns of one name', 'c,a,A\n1,2,3\n', /columns 2 and 3 are both called "A"/],
    ['one subject twice', 'c,a,b\n1,2,3\n1,3,3\n', /Row 3, column "c": 1 stands in a row above/],
    ['a subject without a name', 'c,a,b\n,2,3\n', /Row 2, column "c": the cell is empty/],
    ['nothing under the header', 'c,a,b\n', /no row under the header/],
    [
      'rows that end differently',
      'c,a,b\r\n1,2,3\n2,3,3\r\n',
      /Row 2 ends otherwise.*--any-line-ends/,
    ],
    [
      'a name saved by an old program',
      Buffer.from('c,Jos\xe9,b\n1,2,3\n', 'latin1'),
      /not UTF-8.*windows-1252/,
    ],
    ['UTF-32', Buffer.from([0xff, 0xfe, 0, 0, 0x63, 0, 0, 0]), /UTF-32/],
    ['UTF-16', Buffer.from('\ufeffc,a,b\n1,2,3\n', 'utf16le'), /UTF-16.*--encoding utf-16le/],
    ['a cell of three megabytes', `c,a,b\n1,2,${'x'.repeat(3_000_000)}\n`, /Row 2 is longer than/],
    [
      'a million columns',
      `c,${Array.from({ length: 1_000_000 }, (_, i) => `a${i}`).join(',')}\n`,
      /Row 1 is longer than/,
    ],
    [
      'twenty thousand columns',
      `c,${Array.from({ length: 20_000 }, (_, i) => `a${i}`).join(',')}\n1\n`,
      /20001 columns; more than 10000/,
    ],
    [
      'Pass beside pass',
      'c,a,b\n1,Pass,Fail\n2,pass,Fail\n',
      /Row 3, column "a": "pass" stands beside "Pass".*--as-written/,
    ],
    [
      'NaN',
      'c,a,b\n1,1,2\n2,NaN,2\n',
      /Row 3, column "a": "NaN" looks like a missing mark.*--missing "NaN"/,
    ],
    ['a spreadsheet’s error', 'c,a,b\n1,1,2\n2,1,#N/A\n', /Row 3, column "b": "#N\/A".*--missing/],
    [
      'what could be thousands',
      'c,a,b\n1,"1,234",2\n',
      /could be 1234 or 1\.234; say --decimal comma/,
    ],
    [
      'a number beyond counting',
      'c,a,b\n1,1e999,2\n2,1,2\n',
      /Row 2, column "a": "1e999" is larger/,
    ],
  ])('is refused by row, column and flag: %s', async (_, content, why) => {
    await expect(agree(content, { level: 'nominal' })).rejects.toThrow(why);
  });

  it('is refused likewise by the verbs that read other tables', async () => {
    await expect(readNumbers(file('c,x,y\n1,1,1e999\n'))).rejects.toThrow(/column "y": "1e999"/);
    await expect(readNumbers(file('c,x,y\n1,1,2\n1,1,2\n'))).rejects.toThrow(
      /stands in a row above/,
    );
    await expect(
      readMarks(file('candidate,examiner,mark\n1,a,Inf\n'), ['candidate', 'examiner']),
    ).rejects.toThrow(/Row 2, column "mark": "Inf" looks like a missing mark/);
  });
});

describe('the flag that accepts it', () => {
  it('takes a declared word for a missing mark', async () => {
    reading.missing = ['NaN', '#N/A'];
    const result = await agree('c,a,b\n1,1,1\n2,NaN,2\n3,2,#N/A\n4,2,2\n');
    expect(result).toMatchObject({ subjects: 4, missing: 2 });
  });

  it('takes two spellings for two marks', async () => {
    const content = 'c,a,b\n1,Pass,Pass\n2,pass,Fail\n3,Fail,Fail\n';
    reading.asWritten = true;
    expect((await agree(content)).subjects).toBe(3);
  });

  it('reads an older encoding without merging names', async () => {
    reading.encoding = 'windows-1252';
    const bytes = Buffer.from(
      'candidate,examiner,mark\n1,Jos\xe9,1\n1,Jos\xe8,1\n2,Jos\xe9,0\n',
      'latin1',
    );
    expect((await agree(bytes)).raters).toBe(2);
  });

  it('reads a decimal comma where it is said to be one', async () => {
    reading.decimal = 'comma';
    const { rows } = await readNumbers(file('c;x;y\n1;1,234;2\n'));
    expect(rows).toEqual([[1.234, 2]]);
    await expect(readNumbers(file('c;x;y\n1;1.5;2\n'))).rejects.toThrow(/--decimal comma was said/);
  });

  it('reads changing line ends, quoted ones too', async () => {
    reading.anyLineEnds = true;
    const result = await agree('c,a,b\r\n1,2,3\n2,"3\r\n",3\r4,1,1\n');
    expect(result.subjects).toBe(3);
  });
});

describe('a scale', () => {
  const graded = 'c,a,b\n1,0,1\n2,1,1\n3,2,1\n4,5,5\n5,5,3\n6,3,3\n';

  it('gives weights their distance, used or not', async () => {
    // By hand from the table of 6 pairs with disagreement |a - b| / 5 on the scale 0 to 5:
    // observed (1 + 0 + 1 + 0 + 2 + 0) / 30, expected the mean over all 36 pairs of marginals.
    const a = [0, 1, 2, 5, 5, 3];
    const b = [1, 1, 1, 5, 3, 3];
    const mean = (xs: number[]) => xs.reduce((sum, x) => sum + x, 0) / xs.length;
    const seen = mean(a.map((x, i) => Math.abs(x - (b[i] as number))));
    const chance = mean(a.flatMap((x) => b.map((y) => Math.abs(x - y))));
    const flags = { level: 'ordinal', weights: 'linear', scale: '0,1,2,3,4,5' } as const;
    expect((await agree(graded, flags)).cohenKappa?.estimate).toBeCloseTo(1 - seen / chance, 12);
    // Unused grades change what chance of its own a coefficient has, and nothing of kappa.
    const narrow = await agree(graded, { ...flags, scale: '0,1,2,3,5' });
    expect(narrow.cohenKappa?.estimate).toBeCloseTo(1 - seen / chance, 12);
    expect(narrow.gwetAC.estimate).not.toBeCloseTo(
      (await agree(graded, flags)).gwetAC.estimate ?? 0,
      3,
    );
  });

  it('orders words, which have no order of their own', async () => {
    const words = 'c,a,b\n1,poor,fair\n2,good,good\n3,fair,fair\n4,good,poor\n';
    await expect(agree(words, { weights: 'linear' })).rejects.toThrow(
      /Words have no order.*--scale/,
    );
    const ordered = await agree(words, { weights: 'linear', scale: 'poor,fair,good' });
    const numbers = words.replaceAll('poor', '0').replaceAll('fair', '1').replaceAll('good', '2');
    const same = await agree(numbers, { weights: 'linear', scale: '0,1,2' });
    expect(ordered.cohenKappa?.estimate).toBeCloseTo(same.cohenKappa?.estimate ?? NaN, 12);
    expect(
      (await agree(words, { level: 'ordinal', scale: 'poor,fair,good' })).krippendorffAlpha
        .estimate,
    ).toBeCloseTo(
      (await agree(numbers, { level: 'ordinal' })).krippendorffAlpha.estimate ?? NaN,
      12,
    );
  });

  it('refuses a mark that is not on it, and a scale out of order', async () => {
    await expect(agree(graded, { scale: '0,1,2,3' })).rejects.toThrow(
      /Row 5, column "a": "5" is not on the scale 0, 1, 2, 3/,
    );
    await expect(agree(graded, { scale: '3,2,1' })).rejects.toThrow(/from the lowest/);
    await expect(agree(graded, { scale: '3' })).rejects.toThrow(/two different grades/);
  });

  it('has a true zero at the ratio level', async () => {
    await expect(agree('c,a,b\n1,-1,2\n2,3,3\n', { level: 'ratio' })).rejects.toThrow(
      /ratio level has a true zero, and -1 lies below/,
    );
  });

  it('takes weights of one’s own, in any order of lines', async () => {
    const table = file('mark,1,0,2\n0,0.5,1,0\n2,0.5,0,1\n1,1,0.5,0.5\n');
    const marks = 'c,a,b\n1,0,1\n2,1,1\n3,2,1\n4,2,2\n';
    const own = await agree(marks, { weightTable: table });
    const linear = await agree(marks, { weights: 'linear' });
    expect(own.cohenKappa?.estimate).toBeCloseTo(linear.cohenKappa?.estimate ?? NaN, 12);
    await expect(agree(marks, { weightTable: file('mark,0,1\n0,1,0\n1,0,1\n') })).rejects.toThrow(
      /says nothing of 0 against 2|says nothing of 2/,
    );
  });
});

describe('a large cohort', () => {
  it('of 300,000 candidates is computed', async () => {
    const rows = Array.from(
      { length: 300_000 },
      (_, i) => `${40 + (i % 50)}.${i % 97},${1 + (i % 5)}`,
    );
    const path = file(`score,grade\n${rows.join('\n')}\n`);
    const flags = {
      score: 'score',
      grade: 'grade',
      borderline: 2.5,
      seed: 1,
      generator: 2,
    } as const;
    const more = { percentile: 0.95, multiplier: 0.6, k: 1, percent: 50 };
    for (const method of ['contrasting-groups', 'borderline-regression', 'cohen'] as const) {
      const result = await standard(path, { ...flags, ...more, method });
      expect(result.n).toBe(300_000);
      expect(result.cut).not.toBeNaN();
    }
  });
});
