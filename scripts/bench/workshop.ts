import type { BrowserContext, Page } from '@playwright/test';
import pg from 'pg';
import { DEMO_PASSWORD, LEAD } from '../../server/demo/people.ts';
import { quantile, report } from './report.ts';
import { inServedDemo } from './servedDemo.ts';
import { Visitor } from './visitor.ts';

const PORT = 4897;
const ITEMS = 25;
const KEYS = 40;
const SLOWER = 6;
const STATIONS = 2000;
const SHELVED = 40;
const SEARCHES = [
  'words=knee',
  'words=lachman%20left',
  'region=knee&kind=laxity',
  'structure=anterior%20cruciate%20ligament',
  'domain=interpretation&mostMinutes=8',
  'leastUses=1&order=used',
  'order=disputed&leastDisputed=0',
  'condition=acl-rupture&retired=with',
];

/** The checklist workshop in a slow browser, and a bank of two thousand stations. */
export async function benchWorkshop(): Promise<void> {
  await inServedDemo('workshop', PORT, measure, { as: LEAD.email });
}

async function measure(context: BrowserContext, databaseUrl: string): Promise<void> {
  await growBank(databaseUrl);
  const lead = new Visitor(PORT);
  await lead.signIn(LEAD.email, DEMO_PASSWORD);
  const times: number[] = [];
  for (let round = 0; round < 6; round++) {
    for (const search of SEARCHES) times.push(await lead.time(`/bank-stations?${search}&limit=50`));
  }
  console.log(
    `workshop: ${times.length} searches in a bank of ${STATIONS} stations and more, ${SHELVED} procedures on the shelf`,
  );
  report('a search in the bank, median', quantile(times, 0.5), 50, 'ms');
  report('a search in the bank, 95th percentile', quantile(times, 0.95), 50, 'ms');

  const page = await context.newPage();
  await page.goto('/bank');
  const [station] = (await lead.get<{ stations: { id: string }[] }>('/bank-stations')).stations;
  const { csrfToken } = (await (await context.request.get('/api/session')).json()) as {
    csrfToken: string;
  };
  const begun = await context.request.post(`/api/bank-stations/${station?.id}/drafts`, {
    headers: { 'x-csrf-token': csrfToken },
  });
  const { id } = (await begun.json()) as { id: string };
  await page.goto(`/drafts/${id}`);
  await page.waitForSelector('li[data-key] textarea');
  for (;;) {
    if ((await page.locator('li[data-key]').count()) >= ITEMS) break;
    await page.getByRole('button', { name: 'New item under Perform' }).click();
    await page.keyboard.type('Lays the forearm along the table');
  }
  await page.waitForTimeout(1500);
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  const shown = await typing(page);
  report(
    `the reading along answers a key, ${SLOWER} times slower, median`,
    quantile(shown, 0.5),
    100,
    'ms',
  );
  report('the same, 95th percentile', quantile(shown, 0.95), 100, 'ms');
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  report(
    'a draft is saved after the last key, slowest of ten',
    Math.max(...(await saving(page))),
    1000,
    'ms',
  );
}

/** From the key to the frame that shows, or no longer shows, the finding; taken in the page. */
async function typing(page: Page): Promise<number[]> {
  return page.evaluate(
    `(async () => {
      const words = document.querySelectorAll('li[data-key] textarea')[3];
      const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
      const vague = () => document.querySelectorAll('.note[data-rule="vague"]').length;
      const times = [];
      for (let i = 0; i < ${KEYS}; i++) {
        const before = vague();
        const started = performance.now();
        set.call(words, i % 2 === 0 ? 'Applies an adequate force ' + i : 'Applies a force ' + i);
        words.dispatchEvent(new Event('input', { bubbles: true }));
        while (vague() === before) await new Promise(requestAnimationFrame);
        await new Promise(requestAnimationFrame);
        times.push(performance.now() - started);
        await new Promise((resolve) => setTimeout(resolve, 120));
      }
      return times;
    })()`,
  );
}

async function saving(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < 10; i++) {
    const answered = page.waitForResponse((response) => /\/changes$/.test(response.url()));
    await page.locator('li[data-key] textarea').nth(4).focus();
    await page.keyboard.type(` ${i}`);
    const last = performance.now();
    await answered;
    times.push(performance.now() - last);
    await page.waitForTimeout(400);
  }
  return times;
}

/** Copies of what the bank has, under names of their own. */
async function growBank(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(
    `with like_them as (
       select distinct on (v.bank_station_id) v.* from bank_station_version v
       order by v.bank_station_id, v.version desc),
     made as (
       select new_id() as bank_id, new_id() as version_id, n, l.*
       from generate_series(1, $1::int) n
         join (select *, row_number() over () as place, count(*) over () as all from like_them) l
           on l.place = 1 + n % l.all),
     banked as (
       insert into bank_station (id, created_by) select bank_id, created_by from made returning id)
     insert into bank_station_version (id, bank_station_id, version, title, task, procedures,
       condition, side, degree, checklist_version_id, minutes, equipment, created_by)
     select version_id, b.id, 1, title || ', ' || n, task, procedures, condition, side, degree,
       checklist_version_id, 5 + n % 8, equipment, created_by
     from made join banked b on b.id = made.bank_id`,
    [STATIONS],
  );
  // A shelf as a school of many years may have it.
  await client.query(
    `with made as (
       select 'own-' || n as name, s.content, s.brought_by
       from generate_series(1, $1::int) n cross join (select * from shelf limit 1) s),
     stood as (
       insert into shelf_procedure (id, procedure_id) select new_id(), name from made
       returning procedure_id)
     insert into shelf_version (procedure_id, version, content, brought_by)
     select procedure_id, 1, content || jsonb_build_object('id', procedure_id), brought_by
     from made join stood on stood.procedure_id = made.name`,
    [SHELVED],
  );
  // As the database itself does within a minute.
  await client.query('analyze');
  await client.end();
}
