import { seededChance } from '@kritikos/core/numerics/random';
import { manyFacetRasch } from '@kritikos/core/reliability/manyFacetRasch';
import { report } from './report.ts';

/** Many-facet Rasch: 2,000 candidates at 12 stations, 40 examiners, grades 0..4. */
export async function benchRasch(): Promise<void> {
  const chance = seededChance(2);
  const [candidates, stations, examiners] = [2000, 12, 40];
  const draw = (n: number, sd: number) => Array.from({ length: n }, () => sd * chance.normal());
  const [ability, difficulty, severity] = [
    draw(candidates, 1),
    draw(stations, 0.5),
    draw(examiners, 0.5),
  ];
  const n = candidates * stations;
  const at = (of: (c: number, s: number) => number) =>
    Int32Array.from({ length: n }, (_, i) => of(Math.floor(i / stations), i % stations));
  const candidate = at((c) => c);
  const station = at((_, s) => s);
  const examiner = at((c, s) => (c + 3 * s) % examiners);
  const marks = Float64Array.from({ length: n }, (_, i) => {
    const location =
      (ability[candidate[i] as number] ?? 0) -
      (difficulty[station[i] as number] ?? 0) -
      (severity[examiner[i] as number] ?? 0);
    return Math.min(4, Math.max(0, Math.round(2 + location + 0.8 * chance.normal())));
  });
  const started = performance.now();
  const { iterations } = manyFacetRasch(marks, [
    { name: 'candidate', levels: candidates, level: candidate },
    { name: 'station', levels: stations, level: station },
    { name: 'examiner', levels: examiners, level: examiner },
  ]);
  report(
    `many-facet Rasch, 2,000 x 12 x 40, ${iterations} rounds`,
    (performance.now() - started) / 1000,
    5,
    's',
  );
}
