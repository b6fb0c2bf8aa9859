import { examinationTrust } from '@kritikos/core/reliability/examinationTrust';
import { sayTrust } from '@kritikos/core/reliability/sayTrust';
import { BadInput } from './badInput.ts';
import { readMarks } from './readMarks.ts';
import { PERCENTAGES } from './scales.ts';

export interface TrustFlags {
  stations?: number;
  cut?: number;
}

/** How far an examination can be trusted, from the score of every sheet. */
export async function trust(file: string, { stations, cut }: TrustFlags) {
  const { marks, factors, missing } = await readMarks(file, ['candidate', 'station'], PERCENTAGES);
  const [candidate, station] = factors;
  const marked = station?.levels ?? 0;
  if (stations !== undefined && stations < marked) {
    throw new BadInput(
      `--stations ${stations}, but the file has sheets of ${marked} stations. Nothing was computed.`,
    );
  }
  const points = Array.from(marks, (percent, i) => ({
    candidate: candidate?.level[i] ?? 0,
    station: station?.level[i] ?? 0,
    percent,
  }));
  const found = examinationTrust(points, {
    stations: stations ?? marked,
    cut: cut ?? null,
  });
  return { sentence: sayTrust(found), ...found, sheets: points.length, missing };
}
