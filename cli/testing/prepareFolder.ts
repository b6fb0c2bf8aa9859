import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  export interface ProvidedContext {
    commandFolder: string;
  }
}

/** A folder for the files that the command's tests write; gone when all tests are over. */
export default function setup(project: TestProject): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'kritikos-cli-'));
  project.provide('commandFolder', folder);
  return () => rmSync(folder, { recursive: true, force: true });
}
