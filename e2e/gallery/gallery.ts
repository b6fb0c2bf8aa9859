import { chromium } from '@playwright/test';
import type { Browser, BrowserContext } from '@playwright/test';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { EXAMINER, LEAD, PASSWORD } from '../people.ts';
import { faultsOf } from './faults.ts';
import { SCENES } from './scenes.ts';
import type { Scene, Who } from './scene.ts';

/**
 * Drives the demo through every page, dialog and state, in both themes and all widths; says what
 * axe and the boxes find, and lays contact sheets into an ignored folder for a person to look at.
 * `light` or `dark`, `laptop`, `tablet` or `phone` on the command line choose among those; any other
 * words choose the scenes whose name has one of them.
 */
const FOLDER = fileURLToPath(new URL('../../gallery', import.meta.url));
const SIZES = [
  ['laptop', 1280, 800],
  ['tablet', 820, 1180],
  ['phone', 390, 844],
] as const;
const PER_SHEET = 12;
const demo = process.env.GALLERY_DEMO_URL ?? '';
const empty = process.env.GALLERY_EMPTY_URL ?? '';
const THEMES = ['light', 'dark'] as const;
const given = process.argv.slice(2);
const chosen = <T extends string>(all: readonly T[]): readonly T[] => {
  const some = all.filter((name) => given.includes(name));
  return some.length > 0 ? some : all;
};
const themes = chosen(THEMES);
const sizes = chosen(SIZES.map(([name]) => name));
const words = given.filter(
  (w) => ![...THEMES, ...SIZES.map(([name]) => name)].includes(w as never),
);
const scenes = SCENES.filter((s) => words.length === 0 || words.some((w) => s.name.includes(w)));

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
rmSync(FOLDER, { recursive: true, force: true });
mkdirSync(FOLDER, { recursive: true });
const faults: string[] = [];
for (const theme of themes) {
  for (const [size, width, height] of SIZES) {
    if (!sizes.includes(size)) continue;
    const wanted = scenes.filter((scene) => size !== 'phone' || scene.phone);
    const pictures: { name: string; file: string }[] = [];
    for (const [i, scene] of wanted.entries()) {
      const context = await browser.newContext({
        viewport: { width, height },
        colorScheme: theme,
        reducedMotion: 'reduce',
        serviceWorkers: 'block',
        baseURL: scene.who === 'first' ? empty : demo,
      });
      const file = join(FOLDER, `${theme}-${size}-${String(i + 1).padStart(2, '0')}.png`);
      const where = `${scene.name} (${theme}, ${size})`;
      try {
        for (const fault of await show(context, scene, file)) faults.push(`${where}: ${fault}`);
        pictures.push({ name: scene.name, file });
      } catch (error) {
        faults.push(`${where}: not reached. ${(error as Error).message.split('\n')[0]}`);
      }
      await context.close();
    }
    await layOut(browser, `${theme}-${size}`, pictures, width / height);
  }
}
await browser.close();
writeFileSync(join(FOLDER, 'faults.txt'), faults.join('\n'));
for (const fault of faults) console.log(fault);
console.log(`\n${faults.length} faults; the contact sheets are in gallery/sheet-*.png`);
process.exitCode = faults.length === 0 ? 0 : 1;

async function show(context: BrowserContext, scene: Scene, file: string): Promise<string[]> {
  await signIn(context, scene.who);
  const page = await context.newPage();
  page.setDefaultTimeout(15_000);
  await page.goto(
    scene.path.replace(':e', scene.path.includes(':e') ? await examination(context) : ''),
  );
  await page.getByText(scene.sign).first().waitFor();
  await page.waitForLoadState('networkidle');
  await scene.then?.(page, context);
  await page.waitForTimeout(200);
  await page.screenshot({ path: file });
  return faultsOf(page);
}

async function signIn(context: BrowserContext, who: Who): Promise<void> {
  if (who === 'nobody' || who === 'first') return;
  const email = who === 'lead' ? LEAD : EXAMINER(1);
  const response = await context.request.post('/api/session', {
    data: { email, password: PASSWORD },
  });
  if (!response.ok()) throw new Error(await response.text());
}

async function examination(context: BrowserContext): Promise<string> {
  const all = (await (await context.request.get('/api/examinations')).json()) as {
    id: string;
    submitted: number;
  }[];
  return all.find(({ submitted }) => submitted > 0)?.id ?? '';
}

/** Pictures side by side with their names, a dozen a sheet. */
async function layOut(
  own: Browser,
  name: string,
  pictures: readonly { name: string; file: string }[],
  ratio: number,
): Promise<void> {
  const [columns, width] = ratio > 1 ? [3, 620] : [6, 320];
  for (let from = 0; from < pictures.length; from += PER_SHEET) {
    const cells = pictures.slice(from, from + PER_SHEET).map((picture) => {
      const image = readFileSync(picture.file).toString('base64');
      return `<figure><figcaption>${picture.name}</figcaption><img src="data:image/png;base64,${image}"></figure>`;
    });
    const page = await own.newPage({
      viewport: { width: columns * (width + 12) + 12, height: 400 },
    });
    await page.setContent(
      `<style>body{display:grid;grid-template-columns:repeat(${columns},${width}px);gap:12px;margin:12px;background:#888;font:14px sans-serif}figure{margin:0}img{width:100%;display:block}</style>${cells.join('')}`,
    );
    await page.screenshot({
      path: join(FOLDER, `sheet-${name}-${from / PER_SHEET + 1}.png`),
      fullPage: true,
    });
    await page.close();
  }
}
