import { PAPER_SIZES } from '@kritikos/contracts/papers';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import { blankChecklists, sheetLink } from './blankChecklists.ts';
import { gather } from './gather.ts';
import { asPdf } from './paper.ts';
import type { Printed, PrintedStation } from './printed.ts';
import { publishNextYears } from './testing/published.ts';
import { codeOn, readPdf } from './testing/readPdf.ts';

const server = await startServer('demo');
const DOOR = 'https://kritikos.school.example';
let of: Printed;
beforeAll(async () => {
  const { lead, next } = await publishNextYears(server);
  of = await gather(server.db, next, lead.account as never, DOOR);
});
const few = (station: PrintedStation): Printed => ({
  ...of,
  sheets: of.sheets.filter((sheet) => sheet.station === station.id).slice(0, 2),
});

describe('blank checklists', () => {
  it.each(PAPER_SIZES)('of the demo take a page each on %s', async (size) => {
    for (const station of of.stations) {
      const own = few(station);
      const { pages } = await asPdf(await blankChecklists(own, station, size), own, size);
      expect(pages, station.title).toBe(own.sheets.length);
    }
  });

  it('that are longer than a page say on each whose they are, with the code of the sheet', async () => {
    const [station] = of.stations as [PrintedStation];
    const { items } = station.content;
    const long = {
      ...station,
      content: { ...station.content, items: [...items, ...items.map((own) => ({ ...own }))] },
    };
    const own = few(station);
    const { content } = await asPdf(await blankChecklists(own, long, 'A4'), own, 'A4');
    const pages = await readPdf(content);
    expect(pages).toHaveLength(2 * own.sheets.length);
    const codes = new Map<string | undefined, number[]>();
    for (const [i, { text, cutOff }] of pages.entries()) {
      expect(cutOff).toEqual([]);
      const code = await codeOn(content, i + 1);
      const sheet = own.sheets.find(({ id }) => code === sheetLink(DOOR, id));
      expect(text).toContain(`Candidate ${sheet?.candidate}`);
      codes.set(sheet?.id, [...(codes.get(sheet?.id) ?? []), i + 1]);
    }
    expect([...codes.values()]).toEqual([
      [1, 2],
      [3, 4],
    ]);
  });
});
