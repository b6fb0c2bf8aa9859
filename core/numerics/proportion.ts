import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { Z_95 } from './normal.ts';

/**
 * 95 % exact interval for a proportion of `successes` in `n` > 0 (Clopper & Pearson 1934): both
 * limits are quantiles of beta distributions, so that either tail holds at most 2.5 %. It holds at
 * every size and is wider than it need be at small ones. Neither number has to be whole: effective
 * sample sizes seldom are (Korn & Graubard 1998).
 * Worked value: 7 of 8 gives .473 to .997.
 */
export function exactInterval(successes: number, n: number): [number, number] {
  const failures = n - successes;
  const touches = (count: number) => count < 1e-9 * n;
  return [
    touches(successes) ? 0 : betaQuantile(0.025, successes, failures + 1),
    touches(failures) ? 1 : betaQuantile(0.975, successes + 1, failures),
  ];
}

/**
 * 95 % score interval for a proportion of `successes` in `n` > 0 (Wilson 1927). Near 0 and 1 its
 * coverage dips below 95 % at any size (Brown, Cai & DasGupta 2001).
 * Worked value: 85 of 100 gives .767 to .907.
 */
export function wilsonInterval(successes: number, n: number): [number, number] {
  const p = successes / n;
  const z2 = Z_95 * Z_95;
  const centre = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_95 / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return [Math.max(0, centre - half), Math.min(1, centre + half)];
}
