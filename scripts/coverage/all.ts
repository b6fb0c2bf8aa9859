import { seededStreams } from '@kritikos/core/numerics/random';
import {
  accuracyScenarios,
  correlationScenarios,
  pairScenarios,
  severityScenarios,
  unevenPairScenarios,
  unevenRaterScenarios,
} from './measurements.ts';
import { agreementScenarios, bootstrapScenarios, pooledScenarios } from './agreement.ts';
import type { Grid } from './agreement.ts';
import { cutScenarios, judgeScenarios } from './cuts.ts';
import { yearsScenarios } from './years.ts';
import { simulate, tableOf } from './simulation.ts';
import type { Outcome, Scenario } from './simulation.ts';

const USAGE = `npm run coverage -- [--full] [--seed N] [--samples N] [agreement pooled bootstrap
correlation uneven-raters pairs uneven-pairs accuracy severity cuts judges
years]

Simulates samples whose truth is known and counts how often the 95 % intervals that the product
shows hold it. Without names all rooms; --full takes every setting instead of a coarse grid.
Ctrl+C ends it and prints what is there.`;

const SIZES = [8, 16, 30, 100, 300];
const COARSE: Grid = {
  sizes: SIZES,
  categories: [2, 4, 5],
  prevalences: [0.5, 0.8, 0.95],
  kappas: [0.2, 0.4, 0.6, 0.8],
};
const FULL: Grid = {
  sizes: SIZES,
  categories: [2, 3, 4, 5],
  prevalences: [0.5, 0.65, 0.8, 0.9, 0.95],
  kappas: [0, 0.2, 0.4, 0.6, 0.8, 0.9],
};

const words = process.argv.slice(2);
const grid = words.includes('--full') ? FULL : COARSE;
const rooms: Record<string, () => Iterable<Scenario>> = {
  agreement: () => agreementScenarios(grid),
  pooled: () => pooledScenarios(grid),
  bootstrap: () => bootstrapScenarios(grid),
  correlation: () => correlationScenarios(SIZES),
  'uneven-raters': () => unevenRaterScenarios(SIZES),
  pairs: () => pairScenarios(SIZES),
  'uneven-pairs': () => unevenPairScenarios(SIZES),
  accuracy: () => accuracyScenarios(SIZES),
  severity: () => severityScenarios(),
  cuts: () => cutScenarios(SIZES),
  judges: () => judgeScenarios(),
  years: () => yearsScenarios([8, 16, 30, 100]),
};

function numberAfter(flag: string, usual: number): number {
  const at = words.indexOf(flag);
  if (at < 0) return usual;
  const value = Number(words[at + 1]);
  if (!Number.isInteger(value) || value < 1) refuse(`${flag} takes a whole number above 0.`);
  return value;
}

function refuse(why: string): never {
  console.error(`${why}\n\n${USAGE}`);
  process.exit(2);
}

const numbers = new Set(
  ['--seed', '--samples'].flatMap((flag) =>
    words.includes(flag) ? [words[words.indexOf(flag) + 1]] : [],
  ),
);
const wanted = words.filter((word) => !word.startsWith('--') && !numbers.has(word));
for (const name of wanted) if (!(name in rooms)) refuse(`There is no room "${name}".`);
if (words.includes('--help')) {
  console.log(USAGE);
  process.exit(0);
}
const samples = numberAfter('--samples', words.includes('--full') ? 2000 : 500);
const seed = numberAfter('--seed', 1);

let cancelled = false;
process.once('SIGINT', () => {
  cancelled = true;
});
/** Lets a Ctrl+C through between two scenarios. */
const breathe = () => new Promise((resolve) => setImmediate(resolve));

const started = Date.now();
for (const [name, scenarios] of Object.entries(rooms)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const outcomes: Outcome[] = [];
  const streams = seededStreams(seed);
  let i = 0;
  // One at a time: the truth of a scenario takes a moment to find.
  for (const scenario of scenarios()) {
    // A stream of its own for every scenario, so that one room alone gives the same figures.
    outcomes.push(...simulate(scenario, samples, streams.next().value));
    i++;
    const seconds = ((Date.now() - started) / 1000).toFixed(0);
    process.stderr.write(`\r${name}: ${i} scenarios, ${seconds} s `);
    await breathe();
    if (cancelled) break;
  }
  process.stderr.write('\n');
  console.log(`\n### ${name}: ${samples} samples a setting, seed ${seed}\n\n${tableOf(outcomes)}`);
  if (cancelled) {
    console.log('\nCancelled: what is above is all that was simulated.');
    break;
  }
}
