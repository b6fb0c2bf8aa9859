import { chromium } from '@playwright/test';
import type { BrowserContext } from '@playwright/test';
import { spawn } from 'node:child_process';
import { DEMO_PASSWORD, EXAMINERS } from '../../server/demo/people.ts';
import { untilUp } from './servers.ts';

/** The built product on demo data of its own, and a browser in which an examiner or somebody else has signed in. */
export async function inServedDemo(
  name: string,
  port: number,
  measure: (context: BrowserContext, databaseUrl: string) => Promise<void>,
  { as: email = EXAMINERS[0].email, candidates }: { as?: string; candidates?: number } = {},
): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_${name}_${Date.now()}`;
  const size = candidates === undefined ? [] : ['--candidates', String(candidates)];
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...size], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url.href,
      PORT: String(port),
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
    await untilUp(port);
    const baseURL = `http://127.0.0.1:${port}`;
    const context = await browser.newContext({ baseURL, serviceWorkers: 'block' });
    const signedIn = await context.request.post('/api/session', {
      data: { email, password: DEMO_PASSWORD },
    });
    if (!signedIn.ok()) throw new Error(await signedIn.text());
    await measure(context, url.href);
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
  }
}
