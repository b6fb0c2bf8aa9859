import type { BrowserContext } from '@playwright/test';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { drawFigure } from '@kritikos/core/figure/draw';
import { quantile, report } from './report.ts';
import { inServedDemo } from './servedDemo.ts';

const PORT = 4892;
const WORDS = 'tenis elbow drawer lachmann';

/** How long a figure takes to draw, and how long the list takes to follow a letter. */
export async function benchCatalogue(): Promise<void> {
  const figures = PROCEDURES.flatMap(({ figure, schools }) => [
    figure,
    ...schools.map((school) => school.figure),
  ]).filter((figure) => figure != null);
  const draw = () =>
    figures.map((figure) => {
      const started = performance.now();
      drawFigure(figure, { side: 'left', share: 0.5 });
      return performance.now() - started;
    });
  draw();
  const times = draw();
  report(`a figure is computed, median of ${figures.length}`, quantile(times, 0.5), 16, 'ms');
  report('a figure is computed, slowest', Math.max(...times), 16, 'ms');
  await inServedDemo('catalogue', PORT, measure);
}

/** From the letter to the frame that shows the list and its figure, taken in the page. */
async function measure(context: BrowserContext): Promise<void> {
  const page = await context.newPage();
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
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
  report(
    'the list follows the first letter of a cold page',
    (times as number[])[0] ?? NaN,
    50,
    'ms',
  );
  report('the list follows a letter, median', quantile(times as number[], 0.5), 50, 'ms');
  report('the list follows a letter, slowest', Math.max(...(times as number[])), 50, 'ms');
}
