import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { equalByNature } from './equal.ts';
import { changesOf, sampled, textBetween } from './mutants.ts';

const folder = mkdtempSync(join(tmpdir(), 'kritikos-room-'));
afterAll(() => rmSync(folder, { recursive: true }));

describe('the changes of a room', () => {
  it('are those of its code, not of its tests, its types or its words', async () => {
    writeFileSync(
      join(folder, 'half.ts'),
      "export type Whole = 1 | 2;\nexport const half = (x: number): string =>\n  x > 1 ? 'more' : 'less';\n",
    );
    writeFileSync(join(folder, 'half.test.ts'), 'export const one = 1 + 1;\n');
    const changes = await changesOf(folder);
    expect(changes.map(({ original, replacement }) => [original, replacement])).toEqual(
      expect.arrayContaining([
        ['x > 1', 'x >= 1'],
        ['x > 1', 'true'],
      ]),
    );
    expect(changes.every(({ file }) => file.endsWith('half.ts'))).toBe(true);
    expect(changes.some(({ original }) => original === "'more'")).toBe(false);
    expect(changes.find(({ original }) => original === 'x > 1')).toMatchObject({
      from: { line: 2, column: 2 },
      line: "  x > 1 ? 'more' : 'less';",
    });
  });

  it('are read off the text over several lines', () => {
    const text = 'a(\n  b,\n);';
    expect(textBetween(text, { line: 0, column: 1 }, { line: 2, column: 1 })).toBe('(\n  b,\n)');
  });

  it('are sampled without repeating, alike for one seed and otherwise for another', () => {
    const all = Array.from({ length: 100 }, (_, i) => i);
    const one = sampled(all, 30, 9);
    expect(new Set(one).size).toBe(30);
    expect([...one].sort((a, b) => a - b)).toEqual(one);
    expect(sampled(all, 30, 9)).toEqual(one);
    expect(sampled(all, 30, 10)).not.toEqual(one);
    expect(sampled(all, 500, 9)).toEqual(all);
  });

  it('are equal by nature only where the list says so, on the line that it says', () => {
    const change = {
      file: 'core/marking/checkMark.ts',
      original: "typeof value === 'number'",
      replacement: 'true',
    };
    const graded = "typeof value === 'number' && Number.isInteger(value)";
    expect(equalByNature({ ...change, line: graded })).toMatch(/isInteger/);
    expect(equalByNature({ ...change, line: "typeof value === 'number' && value" })).toBe(
      undefined,
    );
  });
});
