import { seededChance } from '@kritikos/core/numerics/random';
import { cronbachAlpha } from '@kritikos/core/reliability/cronbachAlpha';
import { examinerQuality } from '@kritikos/core/results/examinerQuality';
import { domainScores, itemQuality, stationScores } from '@kritikos/core/results/itemQuality';
import { betweenGroups, stationQuality } from '@kritikos/core/results/stationQuality';
import { report } from './report.ts';

const STATIONS = 20;
const ITEMS_EACH = 25;
const EXAMINERS = 60;

/** Item, station, domain and examiner figures of up to five million marks, at three sizes. */
export async function benchQuality(): Promise<void> {
  const sizes = [2_500, 5_000, 10_000];
  measure(1_000);
  const times = sizes.map((candidates) => measure(candidates));
  const largest = times.at(-1) ?? NaN;
  report('item, station, domain, examiner figures, 5 million marks', largest / 1000, 10, 's');
  report('  memory of the process at most', process.resourceUsage().maxRSS / 1024, 1024, 'MB');
  const exponent = Math.log(largest / (times[0] ?? NaN)) / Math.log(4);
  console.log(
    `  seconds for ${sizes.join(', ')} candidates: ${times.map((t) => (t / 1000).toFixed(2)).join(', ')}; time grows as marks to the ${exponent.toFixed(2)}`,
  );
}

function measure(candidates: number): number {
  const chance = seededChance(1);
  const items = STATIONS * ITEMS_EACH;
  const n = candidates * items;
  const candidate = new Int32Array(n);
  const item = new Int32Array(n);
  const share = new Float32Array(n);
  for (let c = 0, i = 0; c < candidates; c++) {
    const ability = chance.uniform();
    for (let k = 0; k < items; k++, i++) {
      candidate[i] = c;
      item[i] = k;
      share[i] = chance.uniform() < 0.3 + 0.6 * ability ? 1 : 0;
    }
  }
  const stationOf = Int32Array.from({ length: items }, (_, k) => Math.floor(k / ITEMS_EACH));
  const domainOf = Int32Array.from({ length: items }, (_, k) => k % 6);
  const weight = new Float64Array(items).fill(1);
  const marks = {
    candidates,
    stations: STATIONS,
    domains: 6,
    candidate,
    item,
    share,
    stationOf,
    domainOf,
    weight,
  };
  const sheets = candidates * STATIONS;
  const column = (of: (i: number) => number) =>
    Int32Array.from({ length: sheets }, (_, i) => of(i));
  const examiner = column(
    (i) => (i % STATIONS) + STATIONS * (Math.floor(i / STATIONS) % (EXAMINERS / STATIONS)),
  );

  const started = performance.now();
  const scores = stationScores(marks);
  domainScores(marks);
  itemQuality(marks, scores);
  const rows = Array.from({ length: candidates }, (_, c) =>
    Array.from(scores.subarray(c * STATIONS, (c + 1) * STATIONS)),
  );
  for (let s = 0; s < STATIONS; s++) {
    const own = Float64Array.from(
      { length: candidates },
      (_, c) => scores[c * STATIONS + s] as number,
    );
    stationQuality(
      own,
      own.map((x) => 1 + Math.round(x / 25)),
      60,
    );
    betweenGroups(
      own,
      examiner.filter((_, i) => i % STATIONS === s),
    );
    cronbachAlpha(rows.map((row) => row.filter((_, t) => t !== s)));
  }
  examinerQuality({
    candidate: column((i) => Math.floor(i / STATIONS)),
    station: column((i) => i % STATIONS),
    examiner,
    score: scores,
    grade: column((i) => 1 + (i % 5)),
  });
  return performance.now() - started;
}
