import { examinationTrust } from '@kritikos/core/reliability/examinationTrust';
import { sayTrust } from '@kritikos/core/reliability/sayTrust';
import { readMarks } from './readMarks.ts';

export interface TrustFlags {
  stations?: number;
  cut?: number;
}

/** How far an examination can be trusted, from the score of every sheet. */
export async function trust(file: string, { stations, cut }: TrustFlags) {
  const { marks, factors, missing } = await readMarks(file, ['candidate', 'station']);
  const [candidate, station] = factors;
  const points = Array.from(marks, (percent, i) => ({
    candidate: candidate?.level[i] ?? 0,
    station: station?.level[i] ?? 0,
    percent,
  }));
  const found = examinationTrust(points, {
    stations: stations ?? station?.levels ?? 0,
    cut: cut ?? null,
  });
  return { sentence: sayTrust(found), ...found, sheets: points.length, missing };
}
