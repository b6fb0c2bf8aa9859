import { groupBy } from '@kritikos/core/numerics/groupBy';
import type { Chance } from '@kritikos/core/numerics/random';

/** What one simulated sample says of one statistic. */
export interface Shown {
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
}

/** One way in which data can come about, drawn again and again. */
export interface Scenario {
  /** Subjects, candidates, judges: what the table is ordered by. */
  readonly size: number;
  /** Everything else that was set, in words. */
  readonly setting: string;
  /** The true value of every statistic that a sample is asked for. */
  readonly truth: Readonly<Record<string, number>>;
  sample(chance: Chance): Readonly<Record<string, Shown>>;
}

/** How the intervals of one statistic did in one scenario. */
export interface Outcome {
  readonly statistic: string;
  readonly size: number;
  readonly setting: string;
  readonly samples: number;
  /** Samples in which the statistic has no value, and those that have one but show no interval. */
  readonly withoutValue: number;
  readonly withoutInterval: number;
  readonly shown: number;
  readonly held: number;
  /** Mean width of the intervals shown. */
  readonly width: number;
}

/** Draws a scenario so many times and counts. */
export function simulate(scenario: Scenario, samples: number, chance: Chance): Outcome[] {
  const counts = new Map(
    Object.keys(scenario.truth).map((name) => [
      name,
      { withoutValue: 0, withoutInterval: 0, shown: 0, held: 0, width: 0 },
    ]),
  );
  for (let i = 0; i < samples; i++) {
    const sample = scenario.sample(chance);
    for (const [name, count] of counts) {
      const { estimate, lower, upper } = sample[name] as Shown;
      if (estimate === null) count.withoutValue++;
      else if (lower === null || upper === null) count.withoutInterval++;
      else {
        const truth = scenario.truth[name] as number;
        count.shown++;
        count.width += upper - lower;
        if (lower - 1e-9 <= truth && truth <= upper + 1e-9) count.held++;
      }
    }
  }
  const { size, setting } = scenario;
  return [...counts].map(([statistic, { width, ...count }]) => ({
    statistic,
    size,
    setting,
    samples,
    ...count,
    width: count.shown === 0 ? NaN : width / count.shown,
  }));
}

/** Scenarios in which an interval is shown less often than this tell nothing. */
const SELDOM = 0.02;

/** One line a statistic and size, over all settings: the table of docs/methods.md. */
export function tableOf(outcomes: readonly Outcome[]): string {
  const groups = groupBy(
    outcomes.filter((o) => o.shown >= SELDOM * o.samples),
    (o) => `${o.statistic}\u0000${o.size}`,
  );
  const lines = [...groups.values()].map((own) => {
    const sorted = [...own].sort((a, b) => a.held / a.shown - b.held / b.shown);
    const least = sorted[0] as Outcome;
    const percent = (x: number) => (100 * x).toFixed(1);
    const coverage = (o: Outcome) => o.held / o.shown;
    const mean = own.reduce((sum, o) => sum + coverage(o), 0) / own.length;
    const share = (of: 'withoutValue' | 'withoutInterval') =>
      percent(Math.max(...own.map((o) => o[of] / o.samples)));
    const width = own.reduce((sum, o) => sum + o.width, 0) / own.length;
    // Short only where it cannot be the luck of the simulation: two and a half of its errors below.
    const luck = 2.5 * Math.sqrt((0.93 * 0.07) / least.shown);
    const short = coverage(least) < 0.93 - luck;
    const verdict = short ? '**short**' : mean > 0.97 ? 'wide' : 'holds';
    return [
      least.statistic,
      least.size,
      own.length,
      `${percent(coverage(least))} (${least.setting})`,
      percent(mean),
      share('withoutValue'),
      share('withoutInterval'),
      width.toPrecision(2),
      verdict,
    ].join(' | ');
  });
  const header =
    'statistic | size | settings | least coverage, % (where) | mean, % | most without a value, % | most without an interval, % | mean width | verdict';
  const rule = header.split('|').map(() => '---');
  return [header, rule.join(' | '), ...lines].map((line) => `| ${line} |`).join('\n');
}
