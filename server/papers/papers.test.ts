import type { Job } from '@kritikos/contracts/jobs';
import type { Packs, PaperSize } from '@kritikos/contracts/papers';
import { parse } from 'csv-parse/sync';
import ICAL from 'ical.js';
import unzipper from 'unzipper';
import { beforeAll, describe, expect, it } from 'vitest';
import * as XLSX from 'xlsx';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { blankChecklists } from './blankChecklists.ts';
import { register, routeCards, signs } from './dayPapers.ts';
import { gather } from './gather.ts';
import { asPdf } from './paper.ts';
import type { Paper } from './paper.ts';
import { readPacks } from './service.ts';
import { briefings, candidateInstructions, doorSheets } from './stationPapers.ts';
import { publishNextYears } from './testing/published.ts';
import { codeOn, inkOf, readAloud, readPdf } from './testing/readPdf.ts';
import type { ReadPage, Spoken } from './testing/readPdf.ts';

const server = await startServer('demo');
let lead: Caller;
let next: string;

beforeAll(async () => {
  ({ lead, next } = await publishNextYears(server));
});

async function over(asked: Job): Promise<Job> {
  const { body } = await lead.call('GET', `/jobs/${asked.id}`).expect(200);
  return ['waiting', 'running'].includes(body.state) ? over(asked) : body;
}

type Files = ReadonlyMap<string, Buffer>;
async function packed(paper: PaperSize): Promise<Files> {
  const asked = (await lead.call('POST', `/examinations/${next}/papers`, { paper }).expect(200))
    .body;
  const done = await over(asked);
  expect(done).toMatchObject({ state: 'done', problem: null });
  const { pack } = done.result as { pack: string };
  const { body, headers } = await lead
    .call('GET', `/examinations/${next}/papers/${pack}`)
    .buffer(true)
    .parse((response, give) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => give(null, Buffer.concat(chunks)));
    })
    .expect(200);
  expect(headers['content-type']).toBe('application/zip');
  const { files } = await unzipper.Open.buffer(body);
  return new Map(
    await Promise.all(files.map(async (file) => [file.path, await file.buffer()] as const)),
  );
}
const fileAt = (files: Files, name: string): Buffer => {
  const found = files.get(name);
  if (!found) throw new Error(`${name} is not among ${[...files.keys()].join(', ')}`);
  return found;
};

describe('a paper of the demo, read aloud', () => {
  it('has headings, the words of its drawings, and tables with heads', async () => {
    const door = 'http://127.0.0.1:4747';
    const printed = await gather(server.db, next, lead.account as never, door);
    const station = printed.stations[0];
    if (!station) throw new Error('The demo has no station.');
    const heard = async (paper: Paper) => readAloud((await asPdf(paper, printed, 'A4')).content);
    const of = (all: readonly Spoken[], kind: string) => all.filter((own) => own.kind === kind);
    const briefing = await heard(briefings(printed, 'A4'));
    expect(of(briefing, 'H1')[0]?.words).toContain(station.title);
    expect(of(briefing, 'H2').map(({ words }) => words)).toContain('Faults to look for');
    for (const { alt } of of(briefing, 'Figure')) expect(alt).toMatch(/[a-z]+, .*side tested/);
    const checklist = await heard(await blankChecklists(printed, station, 'A4'));
    expect(of(checklist, 'Figure')[0]?.alt).toMatch(/^Code that leads to https?:\/\/.*\/sheets\//);
    expect(of(await heard(register(printed)), 'TH').length).toBeGreaterThan(2);
  });
});

describe('the archive of all papers', () => {
  let files: Files;
  const read = new Map<string, Promise<ReadPage[]>>();
  /** The pages of a file; each file is read once. */
  const pagesOf = (name: string): Promise<ReadPage[]> => {
    const known = read.get(name) ?? readPdf(fileAt(files, name));
    read.set(name, known);
    return known;
  };
  beforeAll(async () => {
    files = await packed('A4');
  });

  it('holds every paper, with what it must say, on pages of A4, and nothing reaches over an edge', async () => {
    const stations = await server.db('station').where({ examination_id: next });
    const pdfs = [...files].filter(([name]) => name.endsWith('.pdf'));
    expect(pdfs).toHaveLength(8 + stations.length);
    for (const [name] of pdfs) {
      for (const page of await pagesOf(name)) {
        // ISO 216: A4 is 210 by 297 mm; a point is 1/72 inch.
        const [short, long] = [page.width, page.height].sort((a, b) => a - b);
        expect(short, name).toBeCloseTo((210 / 25.4) * 72, 0);
        expect(long, name).toBeCloseTo((297 / 25.4) * 72, 0);
        expect(page.cutOff, name).toEqual([]);
      }
    }
  });

  it('draws the figure on each patient’s script, with all cautions and the stop rule', async () => {
    const { stations } = await gather(server.db, next, lead.account as never, '');
    const pages = await pagesOf('to hand out/patient scripts.pdf');
    expect(pages).toHaveLength(stations.length);
    for (const [i, { title, content, figures }] of stations.entries()) {
      const words = plain(pages[i]?.text ?? '');
      for (const said of [title, ...content.cautions, content.stopRule])
        expect(words).toContain(plain(said));
      // A drawing is some dozens of paths; a page without one has the frame of the cautions only.
      expect(pages[i]?.paths).toBeGreaterThan(figures.length > 0 ? 25 : 0);
    }
  });

  it('says at the door which station it is, where, how long, and the task', async () => {
    const { stations } = await gather(server.db, next, lead.account as never, '');
    const pages = await pagesOf('to hang up/door sheets.pdf');
    expect(pages).toHaveLength(stations.length);
    for (const [i, { title, content, minutes, places }] of stations.entries()) {
      const words = plain(pages[i]?.text ?? '');
      const said = [title, content.task, `${minutes} minutes`, ...places.map((p) => p.place)];
      for (const one of said) expect(words).toContain(plain(one));
    }
  });

  // Common practice, no source: what a candidate reads before the station says what to do, never how.
  it('shows candidates nothing of how it is done: on no paper that hangs or is handed to them', async () => {
    const { stations } = await gather(server.db, next, lead.account as never, '');
    const theirs = [...files.keys()].filter(
      (name) => name.startsWith('to hang up/') || name === 'to hand out/route cards.pdf',
    );
    expect(theirs).toHaveLength(4);
    for (const name of theirs) {
      const pages = await pagesOf(name);
      const words = plain(pages.map(({ text }) => text).join(' '));
      for (const { content } of stations) {
        const { cautions, stopRule, items, faults, simulatedPatient } = content;
        const key = [...items, ...faults].map(({ text }) => text);
        for (const told of [...cautions, stopRule, simulatedPatient, ...key])
          expect(words.includes(plain(told)), `${name}: ${told}`).toBe(false);
      }
      // The labels of a drawing, and a span of degrees.
      expect(words).not.toMatch(/\b(holds|moves)\b|\d\s*°|degrees/);
    }
    // Without the drawing, the cautions, the key and the patient's part they would be the same papers.
    const printed = await gather(server.db, next, lead.account as never, '');
    const untold = {
      ...printed,
      stations: printed.stations.map((station) => ({
        ...station,
        figures: [],
        content: {
          ...station.content,
          cautions: [],
          stopRule: '',
          simulatedPatient: '',
          items: [],
          faults: [],
        },
      })),
    };
    for (const paper of [doorSheets, candidateInstructions, signs, routeCards]) {
      const [told, blank] = await Promise.all(
        [printed, untold].map(async (of) => {
          const made = paper(of);
          if (!made) throw new Error('The demo lacks what this paper is made of.');
          return readPdf((await asPdf(made, of, 'A4')).content);
        }),
      );
      expect(told).toEqual(blank);
    }
  });

  it('writes the labels of a drawing over their light edge, not under it', async () => {
    const { stations } = await gather(server.db, next, lead.account as never, '');
    const place = stations.findIndex(({ figures }) => figures.length > 0);
    const scripts = fileAt(files, 'to hand out/patient scripts.pdf');
    // Bold words cover about a fifth of their box; words under their edge are white.
    expect(await inkOf(scripts, place + 1, 'holds')).toBeGreaterThan(0.08);
  });

  it('keeps the key from candidates, and the names from all but the office', async () => {
    const { stations, candidates } = await gather(server.db, next, lead.account as never, '');
    const instructions = await pagesOf('to hang up/candidate instructions.pdf');
    for (const [i, { content }] of stations.entries()) {
      expect(plain(instructions[i]?.text ?? '')).toContain(plain(content.task));
      expect(plain(instructions[i]?.text ?? '')).not.toContain(plain(content.simulatedPatient));
    }
    const named = new Set<string>();
    for (const file of files.keys()) {
      if (!file.endsWith('.pdf')) continue;
      const words = plain((await pagesOf(file)).map(({ text }) => text).join(' '));
      if (candidates.some(({ name }) => words.includes(plain(name)))) named.add(file);
    }
    expect([...named]).toEqual(['office/register.pdf']);
    // A name can break at its hyphen; what is between the words does not matter here.
    const close = (words: string) => words.replace(/\s+/g, '');
    const register = close((await pagesOf('office/register.pdf')).map(({ text }) => text).join(''));
    for (const { studentNumber, name } of candidates)
      expect(register).toContain(close(`${studentNumber}${name}`));
  });

  it('has a checklist for each sheet, whose code a decoder reads as the address of that sheet', async () => {
    const sheets = await server
      .db('sheet as h')
      .join('station as s', 's.id', 'h.station_id')
      .join('candidate as c', 'c.id', 'h.candidate_id')
      .join('account as a', 'a.id', 'h.examiner_id')
      .where('s.examination_id', next)
      .select('h.id', 's.position', 'c.number', 'a.name');
    let decoded = 0;
    let printed = 0;
    for (const [name, content] of files) {
      const position = Number(/^blank checklists\/station (\d+)/.exec(name)?.[1] ?? NaN);
      if (Number.isNaN(position)) continue;
      const pages = await pagesOf(name);
      const begins = pages.flatMap(({ text }, i) => {
        const number = Number(/Candidate (\d+)/.exec(text)?.[1] ?? NaN);
        return Number.isNaN(number) ? [] : [{ page: i + 1, number, text }];
      });
      printed += begins.length;
      for (const { page, number, text } of begins.slice(0, 3)) {
        const code = await codeOn(content, page);
        const own = sheets.find(({ id }) => code?.endsWith(`/sheets/${id}`));
        expect(own, `${name}, page ${page}: ${code}`).toMatchObject({ position, number });
        expect(text).toContain(own.name);
        decoded += 1;
      }
    }
    expect(printed).toBe(sheets.length);
    expect(decoded).toBe(15);
  });

  it('gives each person a calendar that a general parser reads, with the instants of the plan', async () => {
    const { rows } = await server.db.raw(
      `select a.name, min(p.starts) as first, max(p.ends) as last
       from slot_person p join account a on a.id = p.account_id
         join timetable t on t.id = p.timetable_id and t.state = 'published'
       where t.examination_id = ? group by a.name`,
      [next],
    );
    expect(rows.length).toBeGreaterThan(5);
    const ids = new Set<string>();
    let events = 0;
    for (const { name, first, last } of rows) {
      const text = fileAt(files, `calendars/examiners/${name}.ics`).toString('utf8');
      const calendar = new ICAL.Component(ICAL.parse(text));
      const own = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
      for (const { uid } of own) ids.add(uid);
      events += own.length;
      const times = own.map(({ startDate }) => startDate.toJSDate().getTime());
      expect(Math.min(...times)).toBe(first.getTime());
      expect(Math.max(...own.map(({ endDate }) => endDate.toJSDate().getTime()))).toBe(
        last.getTime(),
      );
      expect(own.every(({ summary }) => /^Station \d, /.test(summary))).toBe(true);
      // RFC 5545, 3.1: lines end in CRLF and are folded at 75 octets.
      expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    }
    expect(ids.size).toBe(events);
    const candidates = [...files.keys()].filter((name) => name.startsWith('calendars/candidates/'));
    expect(candidates).toHaveLength(36);
  });

  it('has the tables as CSV and XLSX, which other programs read the same', async () => {
    const book = XLSX.read(fileAt(files, 'tables/examination.xlsx'));
    for (const name of ['Stations', 'Candidates', 'Timetable', 'Sheets']) {
      const csv = parse(fileAt(files, `tables/${name.toLowerCase()}.csv`), { bom: true });
      const sheet = book.Sheets[name];
      const read = XLSX.utils.sheet_to_json<unknown[]>(sheet as XLSX.WorkSheet, {
        header: 1,
        defval: '',
        raw: false,
      });
      expect(read.length).toBeGreaterThan(4);
      expect(read.map((row) => row.map(String))).toEqual(csv);
    }
    // Times are times: a spreadsheet counts with them, and text of them sorts.
    const start = (book.Sheets.Timetable as XLSX.WorkSheet).A2 as XLSX.CellObject;
    expect(start.t).toBe('n');
    const shown = XLSX.SSF.format('yyyy-mm-dd hh:mm', start.v as number);
    const [, first] = parse(fileAt(files, 'tables/timetable.csv'), { bom: true }) as string[][];
    expect(first?.[0]).toBe(shown);
    expect(shown).toMatch(/^2027-\d\d-\d\d \d\d:\d\d$/);
  });

  it('is written down as having left the house, and as stale once the plan is another', async () => {
    const before: Packs = (await lead.call('GET', `/examinations/${next}/papers`).expect(200)).body;
    expect(before.packs[0]).toMatchObject({ paper: 'A4', stale: false, plan: 1 });
    expect(before.lacking).toEqual([]);
    const here = await readPacks(server.db, next, lead.account as never, 'http://127.0.0.1:4747');
    expect(here.lacking.join()).toMatch(
      /lead to http:\/\/127\.0\.0\.1:4747, .* no tablet finds it/,
    );
    const { copies } = (await lead.call('GET', `/examinations/${next}/timetable`)).body;
    expect(copies[0]).toMatchObject({ what: 'all papers, A4', stale: false });
    await server.db('simulated_patient').update({ name: server.db.raw("name || '.'") });
    const after: Packs = (await lead.call('GET', `/examinations/${next}/papers`)).body;
    expect(after.packs[0]?.stale).toBe(true);
    await server.db('simulated_patient').update({ name: server.db.raw("rtrim(name, '.')") });
    expect((await lead.call('GET', `/examinations/${next}/papers`)).body.packs[0].stale).toBe(
      false,
    );
  });

  it('is made for Letter too, of 8.5 by 11 inches', async () => {
    const printed = await gather(server.db, next, lead.account as never, '');
    for (const paper of [doorSheets(printed), routeCards(printed), signs(printed)]) {
      if (!paper) throw new Error('The demo lacks what this paper is made of.');
      for (const page of await readPdf((await asPdf(paper, printed, 'Letter')).content)) {
        expect([page.width, page.height].sort((x, y) => x - y)).toEqual([612, 792]);
        expect(page.cutOff, paper.name).toEqual([]);
      }
    }
  });
});

const plain = (words: string) => words.replace(/\s+/g, ' ').trim();

describe('what a paper cannot be made of', () => {
  it('a station without end in its title is refused with words, and none is cut off on paper', async () => {
    const title = 'Knee '.repeat(60).trim();
    expect(title).toHaveLength(299);
    const refused = await lead.call('POST', '/bank-stations', {
      title,
      procedures: [{ procedure: 'lachman-anterior-translation' }],
      patient: null,
      minutes: 8,
    });
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toMatch(/80/);
    const printed = await gather(server.db, next, lead.account as never, '');
    const [first, ...rest] = printed.stations;
    const long = { ...printed, stations: [{ ...first, title }, ...rest] } as typeof printed;
    const pages = await readPdf((await asPdf(doorSheets(long), long, 'A4')).content);
    expect(pages).toHaveLength(printed.stations.length);
    expect(plain(pages[0]?.text ?? '')).toContain(title);
    expect(pages[0]?.cutOff).toEqual([]);
  });

  it('an examination without stations has no papers yet, and an unknown size of paper is named', async () => {
    const wanted = {
      title: 'Bare',
      school: 'S',
      cohort: 'of 2041',
      heldOn: '2041-05-21',
      zone: 'Europe/Lisbon',
    };
    const { id } = (await lead.call('POST', '/examinations', wanted).expect(200)).body;
    const bare = await lead.call('POST', `/examinations/${id}/papers`, { paper: 'A4' });
    expect([bare.status, bare.body.title]).toEqual([409, 'There is nothing to print yet']);
    const odd = await lead.call('POST', `/examinations/${id}/papers`, { paper: 'A3' });
    expect(odd.status).toBe(422);
    expect(odd.body.errors[0].pointer).toBe('/paper');
  });
});

describe('an examiner’s own calendar', () => {
  it('says the stations of every published timetable, stretch by stretch', async () => {
    const { rows } = await server.db.raw(
      `select a.email, count(*)::int as slots from slot_person p join account a on a.id = p.account_id
         join timetable t on t.id = p.timetable_id and t.state = 'published'
       group by a.email order by slots desc limit 1`,
    );
    const examiner = await server.signIn(rows[0].email);
    const { text, headers } = await examiner.call('GET', '/own/calendar').expect(200);
    expect(headers['content-type']).toBe('text/calendar; charset=utf-8');
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const counted = events.map((event) =>
      Number(/(\d+) candidates/.exec(new ICAL.Event(event).description)?.[1] ?? 1),
    );
    expect(counted.reduce((sum, n) => sum + n, 0)).toBe(rows[0].slots);
    expect(events.length).toBeLessThan(rows[0].slots);
  });
});
