import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { gzipSync } from 'node:zlib';
import { DEMO_PASSWORD, EXAMINERS } from '../../server/demo/people.ts';
import { untilUp } from './marking.ts';
import { quantile, report } from './report.ts';

const PORT = 4891;
const TAPS = 60;

/** In a browser: what the sheet loads, and how long a tap takes to show its mark. */
export async function benchSheet(): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_sheet_${Date.now()}`;
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url.href,
      PORT: String(PORT),
      KRITIKOS_DEMO: '1',
    },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
    ],
  });
  try {
    await untilUp(PORT);
    const base = `http://127.0.0.1:${PORT}`;
    const context = await browser.newContext({ baseURL: base, serviceWorkers: 'block' });
    const first = await context.newPage();
    const signedIn = await first.request.post('/api/session', {
      data: { email: EXAMINERS[0].email, password: DEMO_PASSWORD },
    });
    if (!signedIn.ok()) throw new Error(await signedIn.text());
    const stations = (await (await first.request.get('/api/own/stations')).json()) as {
      sheets: { id: string; submittedAt: string | null }[];
    }[];
    const open = stations[0]?.sheets.find((sheet) => !sheet.submittedAt);

    const page = await context.newPage();
    const sizes: Promise<number>[] = [];
    page.on('response', (response) => {
      if (!/\.(js|css)$/.test(new URL(response.url()).pathname)) return;
      sizes.push(response.body().then((body) => gzipSync(body).length));
    });
    await page.goto(`/sheets/${open?.id}`, { waitUntil: 'networkidle' });
    report(
      'JavaScript and CSS of the sheet, gzipped, first load',
      (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0) / 1024,
      350,
      'kB',
    );

    // From the tap to the frame that shows it, taken in the page so that no driver is in the way.
    const times = await page.evaluate(
      `(async () => {
        const buttons = [...document.querySelectorAll('[data-item] .mark')];
        const times = [];
        for (let i = 0; i < ${TAPS}; i++) {
          const button = buttons[(i * 7) % buttons.length];
          const started = performance.now();
          button.click();
          while (button.getAttribute('aria-pressed') !== 'true') await new Promise(requestAnimationFrame);
          await new Promise(requestAnimationFrame);
          times.push(performance.now() - started);
          await new Promise((resolve) => setTimeout(resolve, 60));
        }
        return times;
      })()`,
    );
    report('a tap shows its mark, median', quantile(times as number[], 0.5), 50, 'ms');
    report('a tap shows its mark, 99th percentile', quantile(times as number[], 0.99), 50, 'ms');
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
  }
}
