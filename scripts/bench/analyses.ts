import type { AgreementOverview } from '@kritikos/contracts/agreement';
import { readFileSync } from 'node:fs';
import { DEMO_PASSWORD, LEAD } from '../../server/demo/people.ts';
import { quantile, report } from './report.ts';
import { inServedDemo } from './servedDemo.ts';
import { pause, withServer } from './servers.ts';
import { CANDIDATES, MANY, MANY_ITEMS, MANY_STATIONS, tenThousand } from './tenThousand.ts';
import { Visitor } from './visitor.ts';

const DEMO_PORT = 4893;
const MANY_PORT = 4892;
const HAND_PORT = 4891;
const HAND_CANDIDATES = 500;
const LOOKS = 5;
const START = 5000;

/** The pages that show what the core knows: complete in the browser, and under ten thousand candidates. */
export async function benchAnalyses(): Promise<void> {
  await benchDemoPages();
  await benchHand();
  await benchMany();
}

/** Each page from the press on its link to its last figure, first with nothing worked out yet. */
async function benchDemoPages(): Promise<void> {
  await inServedDemo(
    'analyses',
    DEMO_PORT,
    async (context, url) => {
      const page = await context.newPage();
      await page.goto('/examinations');
      await page.getByRole('link', { name: 'Orthopedic special tests, second year' }).click();
      await page
        .locator('nav.cycle')
        .getByRole('link', { name: /^Agree/ })
        .waitFor();
      // A server that has just started still warms its threads, and the browser fetches the pages.
      await page.waitForTimeout(START);
      const pages = {
        Agree: { link: /^Agree/, complete: 'How severe each examiner is' },
        'Set the standard': { link: /^Set the standard/, complete: 'would decide alike for' },
        Trust: { link: 'How far it can be trusted', complete: 'What more would buy' },
        'the years': { link: 'Over the years', complete: 'The stations that stayed the same' },
      };
      for (const [name, { link, complete }] of Object.entries(pages)) {
        const times: number[] = [];
        for (let look = 0; look <= LOOKS; look++) {
          // Trust and the years are two of the links of a page of the cycle.
          if (typeof link === 'string') {
            await page
              .locator('nav.cycle')
              .getByRole('link', { name: /^Agree/ })
              .click();
            await page.getByRole('heading', { name: 'Agree' }).waitFor();
          } else {
            await page
              .locator('nav.cycle')
              .getByRole('link', { name: /^Report/ })
              .click();
            await page.getByRole('heading', { name: 'Report' }).waitFor();
          }
          const started = performance.now();
          await page.getByRole('link', { name: link }).first().click();
          await page.getByText(complete).first().waitFor();
          times.push(performance.now() - started);
        }
        const [first = NaN, ...again] = times;
        report(`48 x 8: ${name} complete, the first of all after a start`, first, 1000, 'ms');
        report(`48 x 8: ${name} complete, again`, quantile(again, 0.5), 1000, 'ms');
      }
      const anew: number[] = [];
      const { origin, pathname } = new URL(page.url());
      const id = pathname.split('/')[2] ?? '';
      for (let look = 0; look < LOOKS; look++) {
        await forgetKept(url, id);
        const started = performance.now();
        for (;;) {
          const answer = await context.request.get(`${origin}/api/examinations/${id}/agreement`);
          if (((await answer.json()) as AgreementOverview).job === null) break;
        }
        anew.push(performance.now() - started);
      }
      report(`48 x 8: all of Agree worked out anew`, quantile(anew, 0.5), 1000, 'ms');
    },
    { as: LEAD.email },
  );
}

/** Runs in the page: presses a slider once, and answers when what follows from it is drawn. */
const PRESS = `(async () => {
  const thumb = document.querySelector('[role=slider][aria-label="Borderline point of the scale"]');
  const consequence = document.querySelector('section[aria-live=polite]');
  if (!thumb || !consequence) throw new Error('The page has no slider or no consequence.');
  thumb.focus();
  const started = performance.now();
  const changed = new Promise((resolve) => {
    const watching = new MutationObserver(() => {
      watching.disconnect();
      requestAnimationFrame(() => resolve(performance.now() - started));
    });
    watching.observe(consequence, { subtree: true, characterData: true, childList: true });
  });
  thumb.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
  return changed;
})()`;

/** From a press on a slider until the page says another consequence, for five hundred candidates. */
async function benchHand(): Promise<void> {
  await inServedDemo(
    'hand',
    HAND_PORT,
    async (context) => {
      const page = await context.newPage();
      await page.goto('/examinations');
      await page.getByRole('link', { name: 'Orthopedic special tests, second year' }).click();
      await page.getByRole('link', { name: /^Set the standard/ }).click();
      await page.getByText('would decide alike for').first().waitFor();
      await page.waitForTimeout(2000);
      const times: number[] = [];
      for (let i = 0; i < 15; i++) {
        times.push(await page.evaluate<number>(PRESS));
        await page.waitForTimeout(700);
      }
      report(
        `${HAND_CANDIDATES} candidates: the consequence follows the hand`,
        quantile(times, 0.5),
        100,
        'ms',
      );
      report('the same, the slowest of 15', Math.max(...times), 100, 'ms');
    },
    { as: LEAD.email, candidates: HAND_CANDIDATES },
  );
}

/** Everything on the page of agreement from cold, the first figures on the way, and the memory. */
async function benchMany(): Promise<void> {
  const environment = { DATABASE_URL: await tenThousand(), KRITIKOS_DEMO: '' };
  await withServer('server/main.ts', MANY_PORT, environment, async (pid) => {
    const lead = new Visitor(MANY_PORT);
    await lead.signIn(LEAD.email, DEMO_PASSWORD);
    const examinations = await lead.get<{ id: string; title: string }[]>('/examinations');
    const many = examinations.find(({ title }) => title === MANY);
    await forgetKept(environment.DATABASE_URL, many?.id ?? '');
    await pause(START);
    const started = performance.now();
    let first: number | null = null;
    for (;;) {
      const now = await lead.get<AgreementOverview>(`/examinations/${many?.id}/agreement`);
      if (first === null && now.stations.length > 0) first = performance.now() - started;
      if (now.job?.state === 'failed') throw new Error(now.job.problem ?? 'failed');
      if (now.job === null) break;
      await pause(100);
    }
    const all = performance.now() - started;
    const what = `${CANDIDATES} x ${MANY_STATIONS} x ${MANY_ITEMS}, a tenth twice`;
    report(`${what}: first figures`, (first ?? NaN) / 1000, 2, 's');
    report(`${what}: all of Agree, cold`, all / 1000, 20, 's');
    report(`${what}: most memory of the server`, mostMemory(pid), 1.5, 'GB');
    const again = await lead.time(`/examinations/${many?.id}/agreement`);
    report(`${what}: Agree again`, again, 500, 'ms');
  });
}

/** As after a new sheet at every station: nothing is known, and the job is asked anew. */
async function forgetKept(url: string, examination: string): Promise<void> {
  const { connect } = await import('../../server/db/database.ts');
  const db = connect(url);
  await db.raw(
    `delete from kept_analysis where station_id in
       (select id from station where examination_id = ?)`,
    [examination],
  );
  await db('job').where({ kind: 'agreement', examination_id: examination }).delete();
  await db.destroy();
}

/** The most that the process has held at once, in GB, its threads included. */
function mostMemory(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  return Number(/VmHWM:\s+(\d+) kB/.exec(status)?.[1] ?? NaN) / 1024 ** 2;
}
