import type { OwnStation, Sheet } from '@kritikos/contracts/marking';
import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { randomUUID } from 'node:crypto';
import { createAccount, createFirstLead } from '../../server/accounts/service.ts';
import { newestVersions } from '../../server/checklists/repository.ts';
import { offerCatalogue } from '../../server/checklists/service.ts';
import { prepareDatabase } from '../../server/db/database.ts';
import * as examinations from '../../server/examinations/service.ts';
import { quantile, report } from './report.ts';

const EXAMINERS = 100;
const TAPS_EACH = 40;
/** A quick examiner taps about every one and a half seconds. */
const THINKING = 1500;
const PASSWORD = 'bench-password-only';

/** A hundred examiners marking at once against a server process of its own, events on disk. */
export async function benchMarking(): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_${Date.now()}`;
  const db = await prepareDatabase(url.href);
  await offerCatalogue(db);
  const lead = await createFirstLead(db, {
    email: 'lead@bench.example',
    name: 'Lead',
    password: PASSWORD,
  });
  const { id } = await examinations.createExamination(
    db,
    { title: 'Bench', school: 'Bench', cohort: '1', heldOn: '2026-01-01', zone: 'UTC' },
    lead,
  );
  const [checklist] = await newestVersions(db);
  const csv = ['number,name', ...Array.from({ length: 5 }, (_, i) => `${i + 1},Name ${i + 1}`)];
  await examinations.importCandidates(db, id, csv.join('\n'), lead);
  for (let i = 0; i < EXAMINERS; i++) {
    const examiner = await createAccount(
      db,
      { email: `e${i}@bench.example`, name: `E ${i}`, password: PASSWORD },
      'examiner',
      lead,
    );
    const { stationList } = await examinations.addStation(
      db,
      id,
      { title: `S ${i}`, minutes: 8, checklistVersionId: checklist?.versionId ?? '' },
      lead,
    );
    await examinations.assignExaminers(
      db,
      stationList.at(-1)?.id ?? '',
      { examiners: [{ accountId: examiner.id, every: 1 }] },
      lead,
    );
  }
  await examinations.planSheets(db, id, lead);
  await examinations.setMarkingOpen(db, id, true, lead);
  await db.destroy();

  const port = 4890;
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url.href,
      PORT: String(port),
      KRITIKOS_DEMO: '',
    },
    stdio: 'ignore',
  });
  try {
    await untilUp(port);
    const devices: Device[] = [];
    for (let i = 0; i < EXAMINERS; i++) devices.push(await openDevice(port, `e${i}@bench.example`));
    const times = (await Promise.all(devices.map((device) => tapAway(device)))).flat();
    console.log(
      `marking: ${times.length} marks by ${EXAMINERS} examiners at once, a tap every ${THINKING} ms each`,
    );
    report('a mark is acknowledged, median', quantile(times, 0.5), 20, 'ms');
    report('a mark is acknowledged, 99th percentile', quantile(times, 0.99), 60, 'ms');
  } finally {
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
  }
}

interface Device {
  readonly send: <T>(method: string, path: string, body?: unknown) => Promise<T>;
  readonly sheet: Sheet;
}

async function openDevice(port: number, email: string): Promise<Device> {
  const agent = new Agent({ keepAlive: true });
  let cookie = '';
  let token = '';
  const send = <T>(method: string, path: string, body?: unknown): Promise<T> =>
    new Promise((resolve, reject) => {
      const payload = body === undefined ? undefined : JSON.stringify(body);
      const headers = {
        cookie,
        'x-csrf-token': token,
        ...(payload === undefined
          ? {}
          : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(payload) }),
      };
      const call = request(
        { port, host: '127.0.0.1', method, path: `/api${path}`, agent, headers },
        (response) => {
          let text = '';
          response.on('data', (chunk) => (text += chunk));
          response.on('end', () => {
            cookie = response.headers['set-cookie']?.[0]?.split(';')[0] ?? cookie;
            if ((response.statusCode ?? 500) >= 400) reject(new Error(text));
            else resolve(JSON.parse(text) as T);
          });
        },
      );
      call.on('error', reject);
      call.end(payload);
    });
  token = (await send<{ csrfToken: string }>('POST', '/session', { email, password: PASSWORD }))
    .csrfToken;
  const [station] = await send<OwnStation[]>('GET', '/own/stations');
  const sheet = await send<Sheet>('GET', `/sheets/${station?.sheets[0]?.id}`);
  return { send, sheet };
}

async function tapAway({ send, sheet }: Device): Promise<number[]> {
  const times: number[] = [];
  const items = sheet.checklist.content.items.filter((item) => item.kind === 'done');
  const device = randomUUID();
  await pause(Math.random() * THINKING);
  for (let sequence = 0; sequence < TAPS_EACH; sequence++) {
    const item = items[sequence % items.length]?.key ?? '';
    const body = {
      type: 'mark',
      item,
      value: sequence % 2,
      observation: 'observed',
      manner: 'done',
      prompted: false,
    };
    const event = {
      id: randomUUID(),
      device,
      sequence,
      at: new Date().toISOString(),
      clockAhead: 0,
      checklistVersionId: sheet.checklist.id,
      body,
    };
    const started = performance.now();
    await send('POST', `/sheets/${sheet.id}/events`, { account, events: [event] });
    // The first taps warm the connections and the server's code.
    if (sequence >= 3) times.push(performance.now() - started);
    await pause(THINKING * (0.5 + Math.random()));
  }
  return times;
}

function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds));
}

export async function untilUp(port: number): Promise<void> {
  for (let i = 0; i < 600; i++) {
    const up = await fetch(`http://127.0.0.1:${port}/api/session`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return;
    await pause(100);
  }
  throw new Error('The server for the bench did not start.');
}
