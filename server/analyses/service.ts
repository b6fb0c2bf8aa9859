import type { Database } from '../db/database.ts';
import * as analyses from './repository.ts';

/** Who reads; what may be read follows from it. */
export interface Viewer {
  readonly id: string;
}

/**
 * What can be worked out station by station from submitted sheets. It is worked out once and kept
 * until the station has another sheet; `kind` is changed when what is worked out changes.
 */
export interface StationAnalysis<T> {
  readonly kind: string;
  readonly workOut: (
    db: Database,
    stationIds: readonly string[],
  ) => Promise<ReadonlyMap<string, T>>;
}

/** The analysis of every station of an examination, by station. */
export async function ofEveryStation<T>(
  db: Database,
  examinationId: string,
  viewer: Viewer,
  { kind, workOut }: StationAnalysis<T>,
): Promise<ReadonlyMap<string, T>> {
  const bases = await analyses.stationBases(db, examinationId, viewer.id);
  const kept = await analyses.findKept(db, kind, bases);
  const known = new Map(kept.map(({ stationId, result }) => [stationId, result as T]));
  const missing = bases.filter(({ stationId }) => !known.has(stationId));
  if (missing.length === 0) return known;
  const fresh = await workOut(
    db,
    missing.map(({ stationId }) => stationId),
  );
  for (const basis of missing) {
    const result = fresh.get(basis.stationId);
    if (result === undefined) continue;
    // A sheet that came in between is in the result and not in the basis: the next look sees the
    // other count and works it out again.
    await analyses.keep(db, kind, basis, result);
    known.set(basis.stationId, result);
  }
  return known;
}
