import { yearsApart } from '@kritikos/core/standards/acrossYears';
import type { Sitting } from '@kritikos/core/standards/acrossYears';
import type { Chance } from '@kritikos/core/numerics/random';
import type { Scenario } from './simulation.ts';

const ANCHORS = [0, 1, 2, 3, 4];
const RESAMPLES = 400;
/** Stations of last year, five of them in common with this one; this year's own are 6 points easier. */
const EASE = [60, 62, 64, 66, 68, 60, 62, 64];
const EASIER = 6;

/** Two sittings whose cohorts are 4 points apart, and whose papers differ by the stations of their own. */
export function* yearsScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const [method, spread, noise] of [
      ['linear', 6, 10],
      ['linear', 8, 6],
      ['mean', 6, 10],
    ] as const) {
      yield {
        size,
        setting: `${method}, ability SD ${spread}, station SD ${noise}`,
        truth: {
          'equating, cohort': 4,
          'equating, paper': (EASIER * (EASE.length - ANCHORS.length)) / EASE.length,
          'equating, drift of an anchor': 0,
        },
        sample: (chance) => {
          const own = EASE.map((ease, i) => ease + (ANCHORS.includes(i) ? 0 : EASIER));
          const now = sitting(chance, { size, ability: 4, ease: own, spread, noise });
          const then = sitting(chance, { size, ability: 0, ease: EASE, spread, noise });
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
  how: { size: number; ability: number; ease: readonly number[]; spread: number; noise: number },
): Sitting {
  const rows = Array.from({ length: how.size }, () => {
    const own = how.ability + how.spread * chance.normal();
    return how.ease.map((ease) => own + ease + how.noise * chance.normal());
  });
  return { rows, anchors: ANCHORS };
}
