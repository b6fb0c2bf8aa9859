import { createAccount } from '../../server/accounts/service.ts';
import { newestVersions } from '../../server/checklists/repository.ts';
import { offerCatalogue } from '../../server/checklists/service.ts';
import { prepareDatabase } from '../../server/db/database.ts';
import type { Database } from '../../server/db/database.ts';
import { importCandidates } from '../../server/examinations/candidates.ts';
import { planSheets } from '../../server/examinations/planning.ts';
import * as examinations from '../../server/examinations/service.ts';
import { addStation, assignExaminers } from '../../server/examinations/stations.ts';
import { newId } from '../../server/http/newId.ts';
import { Device } from './device.ts';
import { quantile, report } from './report.ts';
import { pause, withServer } from './servers.ts';

const STATIONS = 100;
const EXAMINERS_EACH = 5;
/** A tap a second is faster than any examiner taps for long. */
const BETWEEN_TAPS = 1000;
const SECONDS = 20;
const AT_ONCE = 50;
const PASSWORD = 'bench couch lantern';
const PORT = 4890;

/**
 * Five hundred examiners marking at once, a tap a second each, and as fast as the server goes;
 * that beside a bare route of the same kind, in turns, events on disk in both.
 */
export async function benchMarking(): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_${Date.now()}`;
  const emails = await prepareBench(url.href);
  const environment = { DATABASE_URL: url.href, KRITIKOS_DEMO: '' };
  await withServer('server/main.ts', PORT, environment, () =>
    withServer('scripts/bench/bareServer.ts', PORT + 1, environment, async () => {
      const devices: Device[] = [];
      for (const email of emails) {
        const device = new Device(PORT);
        await device.signIn(email, PASSWORD);
        devices.push(device);
      }
      const plain = devices.map(() => new Device(PORT + 1));
      await flood(devices, (device) => device.tap(), 2);
      await flood(plain, (device) => device.bare(), 2);
      const rates = { taps: [] as number[], bare: [] as number[] };
      for (let round = 0; round < 4; round++) {
        rates.taps.push(await flood(devices, (device) => device.tap(), 4));
        rates.bare.push(await flood(plain, (device) => device.bare(), 4));
      }
      const [taps, bare] = [quantile(rates.taps, 0.5), quantile(rates.bare, 0.5)];
      console.log(
        `marking: ${taps.toFixed(0)} taps a second beside ${bare.toFixed(0)} rows of the bare route`,
      );
      report('a bare route over the rate of taps, 2 promised', bare / taps, 2, '');

      const times = (await Promise.all(devices.map(tapSteadily))).flat();
      console.log(
        `marking: ${times.length} taps by ${devices.length} examiners, one a second each`,
      );
      report('a tap is answered, median', quantile(times, 0.5), 20, 'ms');
      report('a tap is answered, 99th percentile', quantile(times, 0.99), 80, 'ms');
    }),
  );
}

/** An examination with a sheet for every examiner; answers with their addresses. */
async function prepareBench(url: string): Promise<string[]> {
  const db = await prepareDatabase(url);
  await offerCatalogue(db);
  const lead = await createAccount(
    db,
    { email: 'lead@bench.example', name: 'Lead', password: PASSWORD },
    ['administrator', 'lead'],
    null,
  );
  const { id } = await examinations.createExamination(
    db,
    { title: 'Bench', school: 'Bench', cohort: '1', heldOn: '2026-01-01', zone: 'UTC' },
    lead,
  );
  const [checklist] = await newestVersions(db);
  await importCandidates(db, id, 'number,name\n1,Name 1', lead);
  const emails: string[] = [];
  for (let station = 0; station < STATIONS; station++) {
    const wanted = { title: `S ${station}`, minutes: 8, checklistVersionId: checklist?.versionId };
    const { stationList } = await addStation(
      db,
      id,
      { ...wanted, checklistVersionId: wanted.checklistVersionId ?? '' },
      lead,
    );
    const examiners = [];
    for (let i = 0; i < EXAMINERS_EACH; i++) {
      const email = `e${station}-${i}@bench.example`;
      emails.push(email);
      examiners.push({ accountId: await copyAccount(db, email), every: 1, circuit: null });
    }
    await assignExaminers(db, stationList.at(-1)?.id ?? '', { examiners }, lead);
  }
  await planSheets(db, id, lead);
  await examinations.setMarkingOpen(db, id, true, lead);
  await db.destroy();
  return emails;
}

let passwordHash = '';

/** An examiner with the password of the others: five hundred slow hashes are no part of this. */
async function copyAccount(db: Database, email: string): Promise<string> {
  if (passwordHash === '') {
    const person = { email, name: 'Examiner', password: PASSWORD };
    const { id } = await createAccount(db, person, ['examiner'], null);
    passwordHash = (await db('account').where({ id }).first('password_hash')).password_hash;
    return id;
  }
  const id = newId();
  await db('account').insert({
    id,
    email,
    name: 'Examiner',
    roles: ['examiner'],
    password_hash: passwordHash,
  });
  return id;
}

/** As many as can be answered, so many at once, from one device after the other: the number a second. */
async function flood(
  devices: readonly Device[],
  act: (device: Device) => Promise<void>,
  seconds: number,
): Promise<number> {
  const until = performance.now() + 1000 * seconds;
  let answered = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async (_, first) => {
      for (let i = first; performance.now() < until; i = (i + AT_ONCE) % devices.length) {
        await act(devices[i] as Device);
        answered++;
      }
    }),
  );
  return answered / seconds;
}

async function tapSteadily(device: Device): Promise<number[]> {
  const times: number[] = [];
  await pause(Math.random() * BETWEEN_TAPS);
  for (let i = 0; i < SECONDS; i++) {
    const due = performance.now() + BETWEEN_TAPS;
    const started = performance.now();
    await device.tap();
    // The first taps warm the connections and the server's code.
    if (i >= 2) times.push(performance.now() - started);
    await pause(Math.max(0, due - performance.now()));
  }
  return times;
}
