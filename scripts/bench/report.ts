import { spawnSync } from 'node:child_process';

/** Prints one measured figure beside what was promised. */
export function report(what: string, measured: number, promised: number, unit: string): void {
  const ratio = measured / promised;
  const verdict = ratio <= 1 ? 'within' : 'OVER';
  console.log(
    `${what.padEnd(64)} ${measured.toFixed(1).padStart(9)} ${unit.padEnd(3)} promised ${String(promised).padStart(6)}  ratio ${ratio.toFixed(2)}  ${verdict}`,
  );
}

/** The value below which this share of the sorted times lie. */
export function quantile(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}

/** What an R script prints, as numbers; says so and answers `null` where R or the package is missing. */
export function besideR(script: string, debianPackage: string): number[] | null {
  const r = spawnSync('Rscript', ['-'], { encoding: 'utf8', input: script });
  if (r.status === 0) return r.stdout.trim().split(/\s+/).map(Number);
  console.log(`  ${debianPackage} is not installed, so there is nothing beside it.`);
  return null;
}
