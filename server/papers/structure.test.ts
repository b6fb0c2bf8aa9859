import { describe, expect, it } from 'vitest';
import { asPdf, ledger } from './paper.ts';
import type { Printed } from './printed.ts';
import { picture } from './structure.ts';
import { readAloud, readPdf, readTerms } from './testing/readPdf.ts';

const of = {
  examination: { title: 'Spring', school: 'Orrin College', heldOn: '2027-05-21' },
  plan: null,
} as unknown as Printed;
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M1 1L8 8"/></svg>';

/** The structure of ISO 32000-1, 14.8.4, as a reader of another house (pdf.js) finds it. */
describe('the structure of a paper', async () => {
  const { content } = await asPdf(
    {
      name: 'Register',
      content: [
        { text: 'Who comes', style: 'title' },
        { text: ['In the ', { text: 'order', bold: true }, ' of the day.'] },
        { text: 'What to bring', style: 'heading' },
        { ul: ['a coat', { text: 'a pen' }] },
        ledger(
          ['Number', 'Name'],
          Array.from({ length: 80 }, (_, i) => [String(i + 1), `Student ${i + 1}`]),
          [60, '*'],
        ),
        picture(SVG, 'A line from one corner to the other', { width: 90 }),
        { table: { widths: ['*'], body: [['framed']] } },
      ],
    },
    of,
    'A4',
  );
  const spoken = await readAloud(content);
  const all = (kind: string) => spoken.filter((own) => own.kind === kind);

  it('has headings, and words in the order in which they stand', () => {
    expect(all('H1').map(({ words }) => words)).toEqual(['Who comes']);
    expect(all('H2').map(({ words }) => words)).toEqual(['What to bring']);
    expect(all('P')[0]?.words).toBe('In the order of the day.');
    expect(all('LBody').map(({ words }) => words)).toEqual(['a coat', 'a pen']);
  });

  it('has a table by rows, whose head is said once, however many pages it stands on', async () => {
    const pages = await readPdf(content);
    expect(pages.filter(({ text }) => text.includes('Number')).length).toBeGreaterThan(1);
    expect(all('TH').map(({ words }) => words)).toEqual(['Number', 'Name']);
    expect(all('TR')).toHaveLength(81);
    expect(
      all('TD')
        .slice(-2)
        .map(({ words }) => words),
    ).toEqual(['80', 'Student 80']);
    // What is only framed is no table.
    expect(new Set(all('Table').map(({ page }) => page)).size).toBe(pages.length);
    expect(all('Div').at(-1)?.words).toBe('framed');
  });

  it('says a picture, and leaves out what stands at the foot of every page', () => {
    expect(all('Figure').map(({ alt }) => alt)).toEqual(['A line from one corner to the other']);
    expect(spoken.map(({ words }) => words).join()).not.toContain('no plan published');
  });

  it('is said to be there, and in which language it is read', async () => {
    expect(await readTerms(content)).toEqual({ marked: true, language: 'en-GB' });
  });
});
