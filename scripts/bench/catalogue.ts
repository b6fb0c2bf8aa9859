import type { BrowserContext } from '@playwright/test';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { drawFigure } from '@kritikos/core/figure/draw';
import { quantile, report } from './report.ts';
import { inServedDemo } from './servedDemo.ts';

const PORT = 4892;
const ROUNDS = 9;
const WORDS = 'tenis elbow drawer lachmann';

/** How long a figure takes to draw, and how long the list takes to follow a letter. */
export async function benchCatalogue(): Promise<void> {
  const figures = PROCEDURES.flatMap(({ figure, schools }) => [
    figure,
    ...schools.map((school) => school.figure),
  ]).filter((figure) => figure != null);
  // A figure's own time is the median of its rounds: a single one would measure the collector.
  const times = figures.map((figure) => {
    const rounds = Array.from({ length: ROUNDS }, () => {
      const started = performance.now();
      drawFigure(figure, { side: 'left', share: 0.5 });
      return performance.now() - started;
    });
    return quantile(rounds, 0.5);
  });
  report(`a figure is computed, median of ${figures.length}`, quantile(times, 0.5), 16, 'ms');
  report('a figure is computed, the slowest of them', Math.max(...times), 16, 'ms');
  await inServedDemo('catalogue', PORT, measure);
}

const PAGES = 7;

/** From the letter to the frame that shows the list, on pages that have just been opened. */
async function measure(context: BrowserContext): Promise<void> {
  const pages: number[][] = [];
  for (let i = 0; i < PAGES; i++) pages.push(await typeOnColdPage(context));
  const first = pages.map((times) => times[0] ?? NaN);
  const later = pages.flatMap((times) => times.slice(1));
  report(`the list follows the first letter, median of ${PAGES}`, quantile(first, 0.5), 50, 'ms');
  report('the list follows the first letter, slowest', Math.max(...first), 50, 'ms');
  report('the list follows a later letter, median', quantile(later, 0.5), 50, 'ms');
  report('the list follows a later letter, slowest', Math.max(...later), 50, 'ms');
}

async function typeOnColdPage(context: BrowserContext): Promise<number[]> {
  const page = await context.newPage();
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByRole('searchbox').waitFor();
  const times = await page.evaluate(
    `(async () => {
      const field = document.querySelector('input');
      const times = [];
      let words = '';
      for (const letter of ${JSON.stringify(WORDS)}) {
        words += letter;
        const started = performance.now();
        field.value = words;
        field.dispatchEvent(new Event('input', { bubbles: true }));
        await new Promise(requestAnimationFrame);
        await new Promise((resolve) => setTimeout(resolve, 0));
        times.push(performance.now() - started);
        await new Promise((resolve) => setTimeout(resolve, 60));
      }
      return times;
    })()`,
  );
  await page.close();
  return times as number[];
}
