import type { PaperSize } from '@kritikos/contracts/papers';
import archiver from 'archiver';
import { blankChecklists } from './blankChecklists.ts';
import { calendarsOf } from './calendars.ts';
import { equipmentLists, register, routeCards, signs } from './dayPapers.ts';
import { asPdf, dayWords } from './paper.ts';
import type { Paper } from './paper.ts';
import type { Printed } from './printed.ts';
import { briefings, candidateInstructions, doorSheets, patientScripts } from './stationPapers.ts';
import { asCsv, asWorkbook, tablesOf } from './workbook.ts';

export interface Packed {
  readonly content: Uint8Array;
  readonly pages: number;
  readonly files: number;
}

/** How many blank checklists take as long as one of the other papers. */
const SHEETS_A_STEP = 12;

/**
 * Everything that is printed or sent before an examination, as one archive: what is hung up, what
 * each person is handed, what the office keeps. `open` is the whole examination in the open format.
 */
export async function pack(
  of: Printed,
  size: PaperSize,
  open: string,
  made: Date,
  progress: (share: number) => void,
): Promise<Packed> {
  const archive = archiver('zip', { zlib: { level: 6 } });
  const chunks: Buffer[] = [];
  archive.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve, reject) => {
    archive.on('end', resolve);
    archive.on('error', reject);
  });
  const names: string[] = [];
  const add = (name: string, content: Buffer | string) => {
    names.push(name);
    archive.append(content, { name, date: made });
  };

  const papers = papersOf(of, size);
  const steps = papers.reduce((sum, { cost }) => sum + cost, 0);
  let done = 0;
  let pages = 0;
  for (const { name, paper, cost } of papers) {
    const ready = await paper();
    if (ready && ready.content.length > 0) {
      const pdf = await asPdf(ready, of, size);
      pages += pdf.pages;
      add(name, pdf.content);
    }
    done += cost;
    progress(done / (steps + 1));
  }
  for (const { person, part, content } of calendarsOf(of, made)) {
    add(`calendars/${part}s/${fileName(person)}.ics`, content);
  }
  const tables = tablesOf(of);
  for (const table of tables) add(`tables/${table.name.toLowerCase()}.csv`, asCsv(table));
  add('tables/examination.xlsx', await asWorkbook(tables));
  add('examination.json', open);
  add('read me first.txt', contentsOf(of, size, names));
  await archive.finalize();
  await ended;
  return { content: Buffer.concat(chunks), pages, files: names.length };
}

interface Planned {
  readonly name: string;
  readonly cost: number;
  paper(): Paper | null | Promise<Paper>;
}

function papersOf(of: Printed, size: PaperSize): Planned[] {
  const one = (name: string, paper: Planned['paper']): Planned => ({ name, cost: 1, paper });
  return [
    one('to hang up/door sheets.pdf', () => doorSheets(of)),
    one('to hang up/candidate instructions.pdf', () => candidateInstructions(of)),
    one('to hang up/signs.pdf', () => signs(of)),
    one('to hand out/patient scripts.pdf', () => patientScripts(of, size)),
    one('to hand out/examiner briefings.pdf', () => briefings(of, size)),
    one('to hand out/route cards.pdf', () => routeCards(of)),
    one('rooms/equipment.pdf', () => equipmentLists(of)),
    one('office/register.pdf', () => register(of)),
    ...of.stations.map((station): Planned => ({
      name: `blank checklists/station ${String(station.position).padStart(2, '0')} ${fileName(station.title)}.pdf`,
      cost: 1 + of.sheets.filter((sheet) => sheet.station === station.id).length / SHEETS_A_STEP,
      paper: () => blankChecklists(of, station, size),
    })),
  ];
}

/** A title as part of a file's name on any system. */
export function fileName(title: string): string {
  const plain = title
    .normalize('NFC')
    .replace(/[\p{Cc}<>:"/\\|?*]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  // Some systems take no name that ends in a dot, and none longer than 255 bytes.
  return (
    [...plain]
      .slice(0, 60)
      .join('')
      .replace(/[. ]+$/, '') || 'unnamed'
  );
}

function contentsOf(of: Printed, size: PaperSize, names: readonly string[]): string {
  const { title, school, heldOn } = of.examination;
  return [
    `${title}, ${dayWords(heldOn)}`,
    school,
    `Made for paper of the size ${size}. ${of.plan ? `From plan ${of.plan.number}.` : 'No plan was published: there are no route cards and no calendars.'}`,
    '',
    ...names,
    '',
    'Route cards, door sheets and checklists name candidates by number. The register says whose number is whose: it stays in the office.',
    'The code on a blank checklist leads to that sheet on a tablet that is signed in as its examiner.',
    '',
  ].join('\r\n');
}
