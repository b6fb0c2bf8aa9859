import type { Account } from '@kritikos/contracts/accounts';
import type { Agreed } from '@kritikos/contracts/agreement';
import type {
  SittingFigures,
  StationFigures,
  StationYears,
  Years,
} from '@kritikos/contracts/years';
import type { Estimate } from '@kritikos/core/numerics/estimate';
import { undefinedEstimate } from '@kritikos/core/numerics/estimate';
import { mean } from '@kritikos/core/numerics/summary';
import { borderlinePoint, FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { borderlineRegression } from '@kritikos/core/standards/borderlineRegression';
import type { MarkColumns } from '@kritikos/core/standards/markColumns';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { sayStationYears } from '@kritikos/core/standards/sayStationYears';
import { sayYears } from '@kritikos/core/standards/sayYears';
import { techniqueAgreements } from '../agreement/working.ts';
import { usualKappa } from '@kritikos/core/agreement/everyCoefficient';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { computeYears } from '../jobs/pool.ts';
import { newestDecision } from '../standards/repository.ts';
import { stationMarks } from '../standards/service.ts';
import { requireBankStation } from '../stations/service.ts';
import * as held from './repository.ts';
import type { HeldExamination } from './repository.ts';

/** So many sittings before this one are shown; older ones are found under those. */
const MOST_BEFORE = 5;
const SEED = 1;
/** With many candidates the error is known from fewer resamples, which take as long. */
const resamplesFor = (candidates: number) => (candidates > 2000 ? 200 : 1000);

/** A sitting with its marks in columns, as the comparison needs them. */
interface Read {
  readonly figures: SittingFigures;
  readonly columns: ReadonlyMap<string, MarkColumns>;
}

/** The examination beside the sittings before it, and what tells the better cohort from the easier paper. */
export async function readYears(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Years> {
  await requireExamination(db, examinationId, viewer);
  const related = await held.relatedSittings(db, examinationId, viewer.id, MOST_BEFORE);
  const read: Read[] = [];
  for (const examination of related) read.push(await readSitting(db, examination, viewer));
  const [now, then] = read;
  const sittings = read.map((one) => one.figures);
  if (!now || !then) {
    const sentence =
      'No sitting before this one has a station in common with it, so there is nothing to compare.';
    return { sentence, sittings, compared: null };
  }
  const { anchors, sittings: compared, options } = await comparison(db, now, then, viewer);
  const apart = await computeYears({ now: compared[0], then: compared[1], options });
  const names = { now: now.figures.cohort, then: then.figures.cohort };
  return {
    sentence: sayYears(apart, names),
    sittings,
    compared: {
      otherExaminationId: then.figures.examinationId,
      cohort: plain(apart.cohort),
      paper: plain(apart.paper),
      anchors: anchors.map((pair, i) => {
        const { drift, beyondError } = apart.drifts[i] ?? {
          drift: undefinedEstimate('', 0, apart.cohort.notes[0] ?? ''),
          beyondError: false,
        };
        const title = now.figures.stations[placeOf(now, pair.stationId)]?.title ?? '';
        return { ...pair, title, drift: plain(drift), beyondError, used: apart.used.includes(i) };
      }),
    },
  };
}

/** What two sittings are compared by: their scores, the stations in common, and how errors are drawn. */
async function comparison(db: Database, now: Read, then: Read, viewer: Account) {
  const anchors = await held.anchorsBetween(
    db,
    now.figures.examinationId,
    then.figures.examinationId,
    viewer.id,
  );
  const sittings = [
    { rows: rowsOf(now), anchors: anchors.map((a) => placeOf(now, a.stationId)) },
    { rows: rowsOf(then), anchors: anchors.map((a) => placeOf(then, a.otherStationId)) },
  ] as const;
  const candidates = now.figures.scores.length + then.figures.scores.length;
  return { anchors, sittings, options: { seed: SEED, resamples: resamplesFor(candidates) } };
}

/** The scores that the years are told apart by; `null` where there is no sitting before this one. */
export async function comparedSittings(db: Database, examinationId: string, viewer: Account) {
  const related = await held.relatedSittings(db, examinationId, viewer.id, 1);
  const [here, before] = related;
  if (!here || !before) return null;
  const read = [
    await readSitting(db, here, viewer),
    await readSitting(db, before, viewer),
  ] as const;
  const { sittings, options } = await comparison(db, read[0], read[1], viewer);
  const [now, then] = read.map(({ figures }, i) => ({
    cohort: figures.cohort,
    titles: figures.stations.map(({ title }) => title),
    rows: sittings[i]?.rows ?? [],
  }));
  const pairs = sittings[0].anchors.map((at, i) => [at, sittings[1].anchors[i] ?? -1] as const);
  return now && then ? { now, then, anchors: pairs, ...options } : null;
}

/** A station of the bank over the sittings that used it, and its items by what they say. */
export async function readStationYears(
  db: Database,
  bankStationId: string,
  viewer: Account,
): Promise<StationYears> {
  const { title } = await requireBankStation(db, bankStationId, viewer);
  const examinations = await held.sittingsOf(db, bankStationId, viewer.id, MOST_BEFORE + 1);
  const sittings: StationYears['sittings'] = [];
  for (const examination of examinations) {
    const { figures } = await readSitting(db, examination, viewer);
    const { cohort, heldOn, title: named } = examination;
    for (const station of figures.stations) {
      if (station.bankStationId !== bankStationId) continue;
      sittings.push({ ...station, cohort, heldOn, examination: named });
    }
  }
  const shares = await held.itemShares(
    db,
    sittings.map((s) => s.stationId),
    viewer.id,
  );
  const items = [...new Map(shares.map((share) => [share.itemId, share])).values()];
  const known = new Set(items.map(({ itemId }) => itemId));
  const reworded = items.filter(({ follows }) => follows !== null && known.has(follows)).length;
  return {
    sentence: sayStationYears(
      sittings.map(({ cut, ...sitting }) => ({ ...sitting, cut: cut.estimate })),
      reworded,
    ),
    bankStationId,
    title,
    sittings,
    items: items.map(({ itemId, text, follows }) => ({
      itemId,
      text,
      follows,
      sittings: sittings.flatMap(({ stationId, examinationId }) => {
        const own = shares.find((s) => s.itemId === itemId && s.stationId === stationId);
        return own ? [{ examinationId, marks: own.marks, facility: own.facility }] : [];
      }),
    })),
  };
}

async function readSitting(
  db: Database,
  { id, title, cohort, heldOn }: HeldExamination,
  viewer: Account,
): Promise<Read> {
  const stations = await listStations(db, id, viewer.id);
  const columns = await stationMarks(db, id, viewer);
  const agreements = await techniqueAgreements(db, id, stations, viewer);
  const bank = await held.bankStationsOf(db, id, viewer.id);
  const decision = await newestDecision(db, id, viewer.id);
  const scores = completeScores(stations.map((station) => columns.get(station.id)));
  const decided = decision ? decision.passed + decision.failed : 0;
  const figures: SittingFigures = {
    examinationId: id,
    title,
    cohort,
    heldOn,
    scores,
    facility: mean(scores),
    required: decision ? decision.total / Math.max(1, decision.cuts.length) : null,
    failed: decision && decided > 0 ? decision.failed / decided : null,
    stations: stations.map((station) => ({
      stationId: station.id,
      examinationId: id,
      position: station.position,
      title: station.title,
      bankStationId: bank.get(station.id) ?? '',
      ...figuresOf(columns.get(station.id)),
      kappa: kappaOf(agreements.get(station.id)),
    })),
  };
  return { figures, columns };
}

function kappaOf(technique: Agreed | undefined): StationFigures['kappa'] {
  const found = technique && usualKappa(technique.coefficients);
  const nobody = { estimate: null, lower: null, upper: null, notes: ['Nobody was marked twice.'] };
  return found ?? nobody;
}

function figuresOf(
  columns: MarkColumns | undefined,
): Pick<StationFigures, 'candidates' | 'facility' | 'failing' | 'cut' | 'rSquared'> {
  const scored = (columns?.percents ?? []).flatMap((percent, place) =>
    percent === null ? [] : [{ percent, grade: columns?.grades[place] ?? null }],
  );
  const graded = scored.filter((one) => one.grade !== null);
  const { cut, line } = borderlineRegression(
    graded.map((one) => one.percent),
    graded.map((one) => one.grade as number),
    borderlinePoint(FIVE_POINT_SCALE) ?? NaN,
  );
  const at = cut.estimate;
  return {
    candidates: scored.length,
    facility: mean(scored.map((one) => one.percent)),
    failing:
      at === null || scored.length === 0
        ? null
        : scored.filter((one) => !reachesCut(one.percent, at)).length / scored.length,
    cut: plain(cut),
    rSquared: line?.rSquared ?? null,
  };
}

/** The candidates of a sitting in rows, a column a station in the order of their positions. */
function rowsOf({ figures, columns }: Read): (number | null)[][] {
  const stations = figures.stations.map(({ stationId }) => columns.get(stationId)?.percents ?? []);
  const length = Math.max(0, ...stations.map((percents) => percents.length));
  return Array.from({ length }, (_, place) => stations.map((percents) => percents[place] ?? null));
}

function placeOf({ figures }: Read, stationId: string): number {
  return figures.stations.findIndex((station) => station.stationId === stationId);
}

/** The mean over the stations of every candidate who has a score at each. */
function completeScores(stations: readonly (MarkColumns | undefined)[]): number[] {
  const length = Math.max(0, ...stations.map((s) => s?.percents.length ?? 0));
  return Array.from({ length }, (_, place) => stations.map((s) => s?.percents[place] ?? null))
    .filter((row): row is number[] => row.length > 0 && row.every((score) => score !== null))
    .map((row) => mean(row) ?? NaN);
}

/** As it travels: notes in an array of its own. */
function plain({ estimate, lower, upper, standardError, method, n, notes }: Estimate) {
  return { estimate, lower, upper, standardError, method, n, notes: [...notes] };
}
