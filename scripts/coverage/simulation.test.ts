import { Z_95 } from '@kritikos/core/numerics/normal';
import { seededChance } from '@kritikos/core/numerics/random';
import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { simulate, tableOf } from './simulation.ts';
import type { Scenario, Shown } from './simulation.ts';

/** The mean of 16 normal values, with z standard errors each side: coverage is known exactly. */
function meanOfSixteen(z: number): Scenario {
  return {
    size: 16,
    setting: 'normal',
    truth: { mean: 3 },
    sample: (chance): Record<string, Shown> => {
      const estimate = 3 + chance.normal() / 4;
      return { mean: { estimate, lower: estimate - z / 4, upper: estimate + z / 4 } };
    },
  };
}

describe('the simulation of coverage', () => {
  // Normal distribution: 1.96 standard errors hold in 95 of 100, 1.645 in 90.
  it('finds the coverage that is known', () => {
    const [exact] = simulate(meanOfSixteen(Z_95), 4000, seededChance(3));
    const [short] = simulate(meanOfSixteen(1.645), 4000, seededChance(3));
    expect((exact?.held ?? 0) / 4000).toBeCloseTo(0.95, 1.9);
    expect((short?.held ?? 0) / 4000).toBeCloseTo(0.9, 1.9);
    expect(exact?.width).toBeCloseTo((2 * Z_95) / 4, 10);
    expect(tableOf(exact ? [exact] : [])).toMatch(/\| holds \|$/);
    expect(tableOf(short ? [short] : [])).toMatch(/\*\*short\*\*/);
  });

  it('counts samples without a value and without an interval apart', () => {
    const kinds: Shown[] = [
      { estimate: null, lower: null, upper: null },
      { estimate: 1, lower: null, upper: null },
      { estimate: 1, lower: 0, upper: 2 },
      { estimate: 1, lower: 1.5, upper: 2 },
    ];
    let next = 0;
    const scenario: Scenario = {
      size: 8,
      setting: 'each in turn',
      truth: { x: 1 },
      sample: () => ({ x: kinds[next++ % kinds.length] as Shown }),
    };
    const [outcome] = simulate(scenario, 40, seededChance(1));
    expect(outcome).toMatchObject({ withoutValue: 10, withoutInterval: 10, shown: 20, held: 10 });
  });

  it('runs by its command and prints a line for every statistic of a room', () => {
    const run = spawnSync(process.execPath, ['scripts/coverage.mjs', '--samples', '20', 'pairs'], {
      encoding: 'utf8',
    });
    expect(run.status).toBe(0);
    for (const statistic of ['Bland-Altman limits', 'Lin concordance', 'within-subject SD']) {
      expect(run.stdout).toContain(statistic);
    }
  });
});
