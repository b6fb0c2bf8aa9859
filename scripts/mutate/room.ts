import type { MutantResult } from '@stryker-mutator/api/core';
import { Stryker } from '@stryker-mutator/core';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { parseArgs } from 'node:util';
import { equalByNature } from './equal.ts';
import { changesOf, EXCLUDED, keyOf, sampled } from './mutants.ts';
import type { Change } from './mutants.ts';

/** The share of changes that the tests of a room must notice. */
const WANTED = 0.85;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: 'string', default: '9' },
    sample: { type: 'string', default: '400' },
  },
});
const [room] = positionals;
const rooms = readdirSync('core', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);
if (!room || !existsSync(`core/${room}`) || !rooms.includes(room)) {
  console.error(`Name a room of the core: npm run mutate -- ROOM, one of ${rooms.join(', ')}.`);
  process.exit(2);
}
const [size, seed] = [Number(values.sample), Number(values.seed)];
if (!Number.isInteger(size) || size < 1 || !Number.isInteger(seed)) {
  console.error('--sample takes a number of changes, 1 or more, --seed a whole number.');
  process.exit(2);
}

const all = await changesOf(`core/${room}`);
const chosen = sampled(all, size, seed);
const equal = chosen.filter((change) => equalByNature(change) !== undefined);
const tried = chosen.filter((change) => equalByNature(change) === undefined);
console.log(`${room}: ${chosen.length} of ${all.length} changes, seed ${seed}.`);
const statuses = new Map((await run(tried)).map((result) => [keyOfResult(result), result.status]));

const survivors: Change[] = [];
let noticed = 0;
let unclear = 0;
for (const change of tried) {
  const status = statuses.get(keyOf(change));
  if (status === 'Killed' || status === 'Timeout') noticed++;
  else if (status === 'Survived' || status === 'NoCoverage') survivors.push(change);
  else unclear++;
}
for (const { file, from, original, replacement } of survivors) {
  console.log(`${file}:${from.line + 1}  ${oneLine(original)}  =>  ${oneLine(replacement)}`);
}
const share = noticed / (tried.length - unclear);
console.log(
  `${room}: ${noticed} of ${tried.length - unclear} noticed, ${(100 * share).toFixed(1)} in 100. ` +
    `${survivors.length} not noticed, ${equal.length} equal by nature` +
    (unclear > 0 ? `, ${unclear} could not be tried.` : '.'),
);
process.exitCode = share >= WANTED ? 0 : 1;

/** Tries the changes, each with the tests that run its line. */
async function run(changes: readonly Change[]): Promise<MutantResult[]> {
  const folder = mkdtempSync(join(tmpdir(), 'kritikos-mutate-'));
  const sample = join(folder, 'sample.json');
  writeFileSync(sample, JSON.stringify(changes.map(keyOf)));
  // The checker runs in processes of its own, which inherit this.
  process.env.KRITIKOS_MUTATE_SAMPLE = sample;
  const tester = new Stryker({
    testRunner: 'vitest',
    vitest: { configFile: 'scripts/mutate/vitest.config.ts', related: true },
    plugins: ['@stryker-mutator/vitest-runner', './scripts/mutate/sampleChecker.mjs'],
    checkers: ['sample'],
    mutate: changes.map(rangeOf),
    mutator: { excludedMutations: EXCLUDED },
    coverageAnalysis: 'perTest',
    ignoreStatic: false,
    // The copy needs the core and how its tests are run, nothing else.
    ignorePatterns: ['**', '!core/**', '!scripts/mutate/**', '!package.json', '!tsconfig*.json'],
    tempDirName: '.mutate',
    reporters: [],
    allowConsoleColors: false,
    concurrency: 2,
    timeoutMS: 20_000,
    // The first run is of every test of the room, the long simulations among them.
    dryRunTimeoutMinutes: 30,
    thresholds: { high: 100, low: 0, break: null },
  });
  try {
    return await tester.runMutationTest();
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function rangeOf({ file, from, to }: Change): string {
  return `${file}:${from.line + 1}:${from.column}-${to.line + 1}:${to.column}`;
}

/** As keyOf; what the tester reports counts lines and columns from 1. */
function keyOfResult({ fileName, location, mutatorName, replacement }: MutantResult): string {
  return keyOf({
    file: relative('.', fileName),
    from: fromZero(location.start),
    to: fromZero(location.end),
    mutator: mutatorName,
    replacement: replacement ?? '',
  });
}

function fromZero({ line, column }: Change['from']): Change['from'] {
  return { line: line - 1, column: column - 1 };
}

function oneLine(text: string): string {
  const flat = text.replace(/\s+/g, ' ');
  return flat.length > 90 ? `${flat.slice(0, 90)} ...` : flat;
}
