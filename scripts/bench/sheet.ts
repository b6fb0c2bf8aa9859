import type { BrowserContext } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { quantile, report } from './report.ts';
import { inServedDemo } from './servedDemo.ts';

const PORT = 4891;
const TAPS = 60;

/** In a browser: what the sheet loads, and how long a tap takes to show its mark. */
export async function benchSheet(): Promise<void> {
  await inServedDemo('sheet', PORT, measure);
}

async function measure(context: BrowserContext): Promise<void> {
  const stations = (await (await context.request.get('/api/own/stations')).json()) as {
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
}
