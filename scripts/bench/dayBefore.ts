import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { USUAL_ASSUMPTIONS } from '@kritikos/core/rehearsal/assumptions';
import type { RehearsedPlan } from '@kritikos/core/rehearsal/plan';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync } from 'node:zlib';
import { closeJobs, rehearseSome } from '../../server/jobs/pool.ts';
import { pack } from '../../server/papers/pack.ts';
import type { Printed } from '../../server/papers/printed.ts';
import { report } from './report.ts';

const AT_ONCE = 20;
const THREADS = 2;

/** What is done before the day: a rehearsal, the papers, a judge's page. */
export async function benchDayBefore(): Promise<void> {
  await rehearse(120, 12, 500);
  await print(48, 8);
  weighSeat();
}

async function rehearse(candidates: number, stations: number, count: number): Promise<void> {
  const contents = contentsOf(stations);
  const sheets = Array.from({ length: candidates * stations }, (_, i) => {
    const [candidate, station] = [Math.floor(i / stations), i % stations];
    const circuit = candidate % 2;
    return { candidate, station, circuit, examiner: circuit * stations + station };
  });
  const seconds = sheets
    .filter((_, i) => i % 6 === 0)
    .map((sheet) => ({ ...sheet, examiner: (sheet.examiner + 2) % (2 * stations) }));
  const plan: RehearsedPlan = {
    stations: contents.map(({ id, content }) => ({
      id,
      content,
      mean: 72,
      carries: 1,
      facilities: {},
    })),
    candidates,
    examiners: 2 * stations,
    sheets: [...sheets, ...seconds],
    settings: {
      method: 'borderline-regression',
      methods: {},
      fixedPercent: 60,
      sds: 1,
      borderline: 2.5,
      rule: {
        semMultiplier: 0,
        fewestStationsPassed: 6,
        criticalBy: 'all',
        criticalFailureFails: true,
      },
      handCuts: {},
    },
  };
  const started = performance.now();
  let next = 0;
  await Promise.all(
    Array.from({ length: THREADS }, async () => {
      for (let from = next; from < count; from = next) {
        next += AT_ONCE;
        await rehearseSome(
          { plan, assumptions: USUAL_ASSUMPTIONS, seed: 7, from, count: AT_ONCE },
          {},
        );
      }
    }),
  );
  report(
    `${count} rehearsals of ${candidates} candidates x ${stations} stations`,
    (performance.now() - started) / 1000,
    20,
    's',
  );
  await closeJobs();
}

function contentsOf(stations: number) {
  return PROCEDURES.slice(0, stations).map(({ id, title, checklist, figure }) => ({
    id,
    title,
    figure,
    content: liftChecklist({ id, title, checklist }),
  }));
}

async function print(candidates: number, stations: number): Promise<void> {
  const numbers = Array.from({ length: candidates }, (_, i) => i + 1);
  const contents = contentsOf(stations);
  const printed: Printed = {
    examination: {
      id: 'x',
      title: 'Measured',
      school: 'School',
      heldOn: '2027-05-21',
      zone: 'Europe/Lisbon',
    },
    door: 'http://kritikos.school.example',
    stations: contents.map(({ id, title, figure, content }, i) => ({
      id,
      position: i + 1,
      title,
      minutes: 8,
      region: 'knee',
      equipment: ['couch'],
      checklistVersion: 1,
      content,
      figures: figure ? [{ title, spec: figure, side: 'right' as const }] : [],
      places: [{ circuit: 'A', place: `Room ${i + 1}` }],
    })),
    candidates: numbers.map((number) => ({
      id: String(number),
      number,
      studentNumber: String(27_000 + number),
      name: `Student ${number}`,
      extraTime: 0,
    })),
    sheets: contents.flatMap(({ id: station }) =>
      numbers.map((candidate) => ({
        id: `01900000-0000-7000-8000-${String(candidate).padStart(12, '0')}`,
        station,
        candidate,
        examiner: `Examiner of ${station}`,
        handedIn: false,
      })),
    ),
    plan: {
      number: 1,
      revision: 0,
      readingMinutes: 2,
      quarantineMinutes: 0,
      slots: contents.flatMap(({ id: station }, s) =>
        numbers.map((candidate) => {
          const start = 30_000_000 + 11 * ((candidate + s) % candidates);
          return {
            start,
            end: start + 8,
            day: 0,
            circuit: 'A',
            station,
            place: `Room ${s + 1}`,
            candidate,
            examiner: `Examiner of ${station}`,
            second: null,
            patient: `Patient of ${station}`,
          };
        }),
      ),
    },
  };
  const started = performance.now();
  const { pages, content } = await pack(printed, 'A4', '{}', new Date(), () => undefined);
  report(
    `all papers of ${candidates} candidates x ${stations} stations (${pages} pages, ${(content.byteLength / 1e6).toFixed(1)} MB)`,
    (performance.now() - started) / 1000,
    20,
    's',
  );
}

/** The scripts that a judge's page asks for, as they travel. */
function weighSeat(): void {
  const dist = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const assets = join(dist, 'assets');
  const page = readFileSync(join(dist, 'seat.html'), 'utf8');
  const asked = new Set<string>();
  const follow = (text: string) => {
    for (const [, name] of text.matchAll(/["'/]([\w.-]+\.js)["']/g)) {
      if (name === undefined || asked.has(name) || !existsSync(join(assets, name))) continue;
      asked.add(name);
      follow(readFileSync(join(assets, name), 'utf8'));
    }
  };
  follow(page);
  const known = new Set(readdirSync(assets));
  const bytes = [...asked]
    .filter((name) => known.has(name))
    .map((name) => readFileSync(join(assets, name)));
  const raw = bytes.reduce((sum, own) => sum + own.length, 0) / 1000;
  const packed = bytes.reduce((sum, own) => sum + brotliCompressSync(own).length, 0) / 1000;
  report(
    `scripts of a judge’s page as they travel (${raw.toFixed(0)} kB unpacked)`,
    packed,
    200,
    'kB',
  );
}
