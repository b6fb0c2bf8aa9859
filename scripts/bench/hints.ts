import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../../server/demo/people.ts';
import { Device } from './device.ts';
import { quantile, report } from './report.ts';
import { pause, withServer } from './servers.ts';
import { Visitor } from './visitor.ts';

const PORT = 4895;
const LISTENERS = 500;
const TAPS = 8;

/** How long after a tap the last of five hundred open pages hears of it. */
export async function benchHints(): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_hints_${Date.now()}`;
  const environment = { DATABASE_URL: url.href, KRITIKOS_DEMO: '1' };
  await withServer('server/main.ts', PORT, environment, async () => {
    const lead = new Visitor(PORT);
    await lead.signIn(LEAD.email, DEMO_PASSWORD);
    const heard: number[] = [];
    const closings = await Promise.all(
      Array.from({ length: LISTENERS }, () => lead.listen((at) => heard.push(at))),
    );
    const tablet = new Device(PORT);
    await tablet.signIn(EXAMINERS[0].email, DEMO_PASSWORD);
    const lasts: number[] = [];
    for (let i = 0; i < TAPS; i++) {
      // At most one hint a second goes out, so that taps in between share the next one.
      await pause(1500);
      heard.length = 0;
      const started = performance.now();
      await tablet.tap();
      while (heard.length < LISTENERS && performance.now() - started < 10_000) await pause(5);
      if (heard.length < LISTENERS) throw new Error(`only ${heard.length} pages heard of it`);
      lasts.push(Math.max(...heard) - started);
    }
    report(`a tap is heard of on the last of ${LISTENERS} pages`, quantile(lasts, 0.5), 1500, 'ms');
    report('the same, the slowest', Math.max(...lasts), 1500, 'ms');
    for (const close of closings) close();
  });
}
