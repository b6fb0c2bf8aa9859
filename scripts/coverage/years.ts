import { yearsApart } from '@kritikos/core/standards/acrossYears';
import type { Sitting } from '@kritikos/core/standards/acrossYears';
import type { Chance } from '@kritikos/core/numerics/random';
import type { Scenario } from './simulation.ts';

const RESAMPLES = 400;
/** Stations that only one of two sittings had; this year's are easier by so many points. */
const OWN = 3;
const EASIER = 6;
const ABLER = 4;

/** Two sittings whose cohorts are 4 points apart, and whose papers differ by the stations of their own. */
export function* yearsScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const [method, anchors, spread, noise] of [
      ['linear', 5, 6, 10],
      ['linear', 5, 8, 6],
      ['linear', 9, 6, 10],
      ['mean', 5, 6, 10],
    ] as const) {
      const stations = anchors + OWN;
      const ease = Array.from({ length: stations }, (_, i) => 60 + 2 * (i % 5));
      yield {
        size,
        setting: `${method}, ${anchors} anchors, ability SD ${spread}, station SD ${noise}`,
        truth: {
          'equating, cohort': ABLER,
          'equating, paper': (EASIER * OWN) / stations,
          'equating, drift of an anchor': 0,
        },
        sample: (chance) => {
          const own = ease.map((of, i) => of + (i < anchors ? 0 : EASIER));
          const now = sitting(chance, { size, ability: ABLER, ease: own, spread, noise, anchors });
          const then = sitting(chance, { size, ability: 0, ease, spread, noise, anchors });
          const seed = chance.below(1e9);
          const found = yearsApart(now, then, { method, resamples: RESAMPLES, seed });
          return {
            'equating, cohort': found.cohort,
            'equating, paper': found.paper,
            'equating, drift of an anchor': found.drifts[0]?.drift ?? found.cohort,
          };
        },
      };
    }
  }
}

function sitting(
  chance: Chance,
  how: {
    readonly size: number;
    readonly ability: number;
    readonly ease: readonly number[];
    readonly spread: number;
    readonly noise: number;
    /** So many of the first stations are common. */
    readonly anchors: number;
  },
): Sitting {
  const rows = Array.from({ length: how.size }, () => {
    const own = how.ability + how.spread * chance.normal();
    return how.ease.map((ease) => own + ease + how.noise * chance.normal());
  });
  return { rows, anchors: how.ease.slice(0, how.anchors).map((_, i) => i) };
}
