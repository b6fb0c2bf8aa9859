import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** Starts a program of ours as a server process of its own, lets `use` speak to it, and ends it. */
export async function withServer(
  program: string,
  port: number,
  environment: Record<string, string>,
  use: (pid: number) => Promise<void>,
): Promise<void> {
  const server = spawn(process.execPath, ['--import', 'tsx', program], {
    cwd: fileURLToPath(new URL('../..', import.meta.url)),
    env: { ...process.env, NODE_ENV: 'production', PORT: String(port), ...environment },
    stdio: 'ignore',
  });
  const ended = new Promise((resolve) => server.once('exit', resolve));
  try {
    await untilUp(port);
    await use(server.pid ?? 0);
  } finally {
    server.kill('SIGTERM');
    await ended;
  }
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

export function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds));
}
