import { seededChance } from '@kritikos/core/numerics/random';
import { varianceComponents } from '@kritikos/core/reliability/varianceComponents';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { besideR } from './report.ts';

const MARKS = 73_000;
const CANDIDATES = 3_000;
const EXAMINERS = 1_100;

/** REML of a large unbalanced crossed design, beside lme4 on the same marks where R has it. */
export async function benchComponents(): Promise<void> {
  const chance = seededChance(42);
  const ability = Array.from({ length: CANDIDATES }, () => 0.33 * chance.normal());
  const severity = Array.from({ length: EXAMINERS }, () => 0.52 * chance.normal());
  const candidate = new Int32Array(MARKS);
  const examiner = new Int32Array(MARKS);
  const marks = new Float64Array(MARKS);
  for (let i = 0; i < MARKS; i++) {
    // Everybody occurs; beyond that some examiners mark far more than others.
    const c = i < CANDIDATES ? i : chance.below(CANDIDATES);
    const e = i < EXAMINERS ? i : Math.floor(chance.uniform() ** 1.7 * EXAMINERS);
    candidate[i] = c;
    examiner[i] = e;
    marks[i] = 3.3 + (ability[c] ?? 0) + (severity[e] ?? 0) + 1.18 * chance.normal();
  }
  const started = performance.now();
  const own = varianceComponents(marks, [
    { name: 'candidate', levels: CANDIDATES, level: candidate },
    { name: 'examiner', levels: EXAMINERS, level: examiner },
  ]);
  const seconds = (performance.now() - started) / 1000;
  console.log(
    `REML, ${MARKS} marks, ${CANDIDATES} x ${EXAMINERS}: ${seconds.toFixed(2)} s; candidate ${own.components.candidate?.toPrecision(6)}, examiner ${own.components.examiner?.toPrecision(6)}, residual ${own.residual.toPrecision(6)}`,
  );

  const folder = mkdtempSync(join(tmpdir(), 'kritikos-bench-'));
  try {
    const file = join(folder, 'marks.csv');
    const rows = Array.from(marks, (y, i) => `${candidate[i]},${examiner[i]},${y}`);
    writeFileSync(file, `candidate,examiner,mark\n${rows.join('\n')}\n`);
    const printed = besideR(
      `suppressMessages(library(lme4)); d <- read.csv("${file}"); d$candidate <- factor(d$candidate); d$examiner <- factor(d$examiner)
      t <- system.time(m <- lmer(mark ~ 1 + (1|candidate) + (1|examiner), d))[["elapsed"]]
      cat(t, as.data.frame(VarCorr(m))$vcov)`,
      'r-cran-lme4',
    );
    if (!printed) return;
    const [time = NaN, ...components] = printed;
    const ours = [own.components.candidate, own.components.examiner, own.residual];
    const apart = components.map((x, i) => Math.abs(1 - (ours[i] ?? NaN) / x));
    console.log(
      `  lme4 lmer: ${time} s; components ${components.map((x) => x.toPrecision(6)).join(', ')}, at most ${Math.max(...apart).toExponential(1)} of themselves from ours; ours takes ${(seconds / time).toFixed(2)} of its time`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
