import { spawn } from 'node:child_process';

/** What the command prints for each of these lines, as the object that it is. */
export interface Ran {
  readonly status: number;
  readonly printed: string;
  readonly complained: string;
}

/** Runs lines of the command one after the other in a process of its own, as it ships. */
const RUNNER = `
  import { commandLine } from './cli/commandLine.ts';
  const lines = JSON.parse(process.env.LINES);
  const write = process.stdout.write.bind(process.stdout);
  for (const words of lines) {
    const caught = { stdout: '', stderr: '' };
    process.stdout.write = (text) => ((caught.stdout += text), true);
    process.stderr.write = (text) => ((caught.stderr += text), true);
    const status = await commandLine(words);
    write(JSON.stringify({ status, printed: caught.stdout, complained: caught.stderr }) + '\\n');
  }`;

export async function commandRuns(lines: readonly (readonly string[])[]): Promise<Ran[]> {
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', '--input-type=module', '--eval', RUNNER],
    { env: { ...process.env, LINES: JSON.stringify(lines) }, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  let written = '';
  for await (const chunk of child.stdout) written += String(chunk);
  return written
    .trim()
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Ran);
}
