import { PROCEDURES } from '@kritikos/catalogue/procedures';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import { asOpenCatalogue, openCatalogueSchema, readOpenCatalogue } from './openCatalogue.ts';
import { RefusedFile } from './openFile.ts';

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
const [first] = PROCEDURES;

describe('the catalogue as a file', () => {
  it('loses nothing there and back', () => {
    const file = JSON.stringify(asOpenCatalogue(PROCEDURES));
    expect(readOpenCatalogue(file).procedures).toEqual(plain(PROCEDURES));
  });

  // Ajv reads the published schema as a stranger would.
  it('fits its published JSON Schema', () => {
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    const fits = ajv.compile(openCatalogueSchema());
    expect(fits(plain(asOpenCatalogue(PROCEDURES))), JSON.stringify(fits.errors)).toBe(true);
    expect(fits({ format: 'kritikos-catalogue', version: 1, procedures: [{}] })).toBe(false);
  });

  it('refuses a procedure that is there twice, and one that follows itself', () => {
    if (!first) throw new Error('empty catalogue');
    const twice = JSON.stringify(asOpenCatalogue([first, first]));
    expect(() => readOpenCatalogue(twice)).toThrow(
      '/procedures/1/id: is the procedure of /procedures/0 once more',
    );
    const own = JSON.stringify(asOpenCatalogue([{ ...first, followUp: [first.id] }]));
    expect(() => readOpenCatalogue(own)).toThrow(
      '/procedures/0/followUp/0: is the procedure itself',
    );
  });

  it('refuses a word that its checklists do not know', () => {
    const file = plain(asOpenCatalogue([first as Procedure])) as {
      procedures: { checklist: { items: object[] } }[];
    };
    Object.assign(file.procedures[0]?.checklist.items[3] ?? {}, { wieght: 3 });
    expect(() => readOpenCatalogue(JSON.stringify(file))).toThrow(
      '/procedures/0/checklist/items/3/wieght: is not known here',
    );
  });

  it.each([
    ['an unknown word', { surprise: 1 }, '/procedures/0', /surprise/],
    ['a region that nobody has', { region: 'tail' }, '/procedures/0/region', /./],
    [
      'a share above one',
      { worth: [{ of: 'x', sensitivity: 70, source: 'y 1999', sourceKind: 'from memory' }] },
      '/procedures/0/worth/0/sensitivity',
      /1/,
    ],
    [
      'a key that no option has',
      {
        findings: [
          {
            key: 'site',
            text: 'Names the site',
            options: [
              { key: 'none', label: 'None', call: 0 },
              { key: 'here', label: 'Here', call: 1 },
            ],
            reading: {
              kind: 'site',
              signs: ['pain'],
              none: 'none',
              sites: [{ option: 'there', structures: ['hip joint'] }],
            },
          },
        ],
      },
      '/procedures/0/findings/0/reading',
      /no option named there/,
    ],
  ])('refuses %s with path and reason', (_, change, path, reason) => {
    if (!first) throw new Error('empty catalogue');
    const file = JSON.stringify(asOpenCatalogue([{ ...first, ...(change as object) }]));
    let refusal: unknown;
    try {
      readOpenCatalogue(file);
    } catch (error) {
      refusal = error;
    }
    expect(refusal).toBeInstanceOf(RefusedFile);
    const [problem] = (refusal as RefusedFile).problems;
    expect(problem?.path).toBe(path);
    expect(problem?.reason).toMatch(reason);
  });

  it('says of a newer version what can be done about it', () => {
    const newer = { format: 'kritikos-catalogue', version: 2, procedures: [first] };
    expect(() => readOpenCatalogue(JSON.stringify(newer))).toThrow(
      /\/version: is 2, and this installation reads up to 1\. Save it as version 1/,
    );
  });

  it('refuses what is not JSON', () => {
    expect(() => readOpenCatalogue('{')).toThrow(/is not JSON/);
  });
});
