import type { Account } from '@kritikos/contracts/accounts';
import type { Examination, Station } from '@kritikos/contracts/examinations';
import type { BankStation } from '@kritikos/contracts/stations';
import { seededChance } from '@kritikos/core/numerics/random';
import type { RandomGenerator } from '@kritikos/core/numerics/random';
import type { Chance } from '@kritikos/core/numerics/random';
import { hasAnyAccount } from '../accounts/repository.ts';
import { createAccount } from '../accounts/service.ts';
import { confirmBriefing } from '../calibration/service.ts';
import { findChecklistVersion, makeNextVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { importCandidates } from '../examinations/candidates.ts';
import { planSheets } from '../examinations/planning.ts';
import * as examinations from '../examinations/service.ts';
import { addStation, assignExaminers, changeChecklistVersion } from '../examinations/stations.ts';
import type { Jobs } from '../jobs/jobs.ts';
import { usualSettings } from '../standards/service.ts';
import { releaseDecision, signDecision } from '../standards/signing.ts';
import { createBankStation } from '../stations/service.ts';
import { fillSheets } from './fillSheets.ts';
import { IMPERFECTIONS } from './imperfections.ts';
import type { Imperfections } from './imperfections.ts';
import {
  CIRCUITS,
  DEMO_PASSWORD,
  EXAMINERS,
  examinersAt,
  LEAD,
  SCHOOL,
  studentName,
} from './people.ts';
import { prepareNextYear } from './preparing.ts';
import { filledSheet, playStation } from './rounds.ts';
import type { Cohort } from './rounds.ts';
import { sheetsOfStation } from './repository.ts';
import { BANK, LAST_YEAR, REWORDED, THIS_YEAR } from './stations.ts';
import type { BankName } from './stations.ts';

export interface DemoSize {
  /** How many sit this year's examination. */
  readonly candidates: number;
  readonly seed: number;
  /** What is wrong with it; the usual where nothing is said. */
  readonly imperfections?: Imperfections;
}

/**
 * What happens in the demo was told from the first source of chance, and its story, its tests and the
 * pictures of the handbook hang on it. One long stream from one seed has none of that source's faults,
 * which lie in the first outputs of neighbouring seeds.
 */
export const THE_DEMOS_CHANCE: RandomGenerator = 1;

export const USUAL_SIZE: DemoSize = { candidates: 48, seed: 20_261_124 };
const LAST_YEARS_CANDIDATES = 40;
const MINUTES = 8;

interface Sitting {
  readonly title: string;
  readonly cohort: string;
  readonly day: string;
  readonly stations: readonly BankName[];
  readonly candidates: number;
  /** The place of its first student in the list of names. */
  readonly firstName: number;
}

/** Everything that the stages of the demo work with. */
interface Stage {
  readonly db: Database;
  readonly jobs: Jobs;
  readonly lead: Account;
  readonly examiners: readonly Account[];
  readonly bank: ReadonlyMap<BankName, BankStation>;
  readonly chance: Chance;
  readonly imperfections: Imperfections;
}

/**
 * Loads the demo into an empty database, and leaves one with people in it alone: two cohorts of an
 * invented school, last year's examination complete, signed and released, this year's being marked
 * (see `IMPERFECTIONS`), next year's in preparation. The same size and seed make the same demo.
 */
export async function loadDemo(db: Database, jobs: Jobs, size = USUAL_SIZE): Promise<boolean> {
  if (await hasAnyAccount(db)) return false;
  const lead = await createAccount(
    db,
    { ...LEAD, password: DEMO_PASSWORD },
    ['administrator', 'lead'],
    null,
  );
  const examiners = await Promise.all(
    EXAMINERS.map((person) =>
      createAccount(db, { ...person, password: DEMO_PASSWORD }, ['examiner'], lead),
    ),
  );
  const bank = new Map<BankName, BankStation>();
  for (const [name, station] of Object.entries(BANK)) {
    const made = await createBankStation(db, { ...station, minutes: MINUTES }, lead);
    bank.set(name as BankName, made);
  }
  const { imperfections = IMPERFECTIONS } = size;
  const chance = seededChance(size.seed, THE_DEMOS_CHANCE);
  const stage = { db, jobs, lead, examiners, bank, chance, imperfections };
  await holdLastYear(stage);
  await holdThisYear(stage, size.candidates);
  await prepareNextYear(db, bank, lead);
  return true;
}

async function holdLastYear(stage: Stage): Promise<void> {
  const { db, lead, imperfections } = stage;
  const candidates = LAST_YEARS_CANDIDATES;
  const examination = await prepare(stage, {
    title: 'Second-year special tests, 2025',
    cohort: '2025',
    day: '2025-11-21',
    stations: LAST_YEAR,
    candidates,
    firstName: USUAL_SIZE.candidates,
  });
  const ability = -imperfections.weakerLastYear;
  const all = { easier: [], absent: [], round: null, imperfections };
  await mark(stage, examination, { candidates, ability, ...all });
  await examinations.setMarkingOpen(db, examination.id, false, lead);
  const { id } = await sign(stage, examination, 'Agreed by the board of examiners.');
  await releaseDecision(db, id, lead);
}

async function holdThisYear(stage: Stage, candidates: number): Promise<void> {
  const { easierStation, lateCandidate } = stage.imperfections;
  await reword(stage);
  const examination = await prepare(stage, {
    title: 'Orthopedic special tests, second year',
    cohort: '2026',
    day: '2026-11-20',
    stations: THIS_YEAR,
    candidates,
    firstName: 0,
  });
  await mark(stage, examination, {
    candidates,
    ability: 0,
    easier: easierStation ? [easierStation] : [],
    absent: lateCandidate === null ? [] : [lateCandidate],
    round: 5,
    imperfections: stage.imperfections,
  });
  await sign(
    stage,
    examination,
    'Provisional: candidate 24 came late, and the last four are in their rounds.',
  );
}

/** Puts one item into other words: who was asked in the old ones was asked another station. */
async function reword({ db, lead, bank }: Stage): Promise<void> {
  const { checklistVersionId } = bank.get(REWORDED.station) as BankStation;
  const { checklistId, content } = await findChecklistVersion(db, checklistVersionId);
  const items = content.items.map((item) =>
    item.key === REWORDED.item ? { ...item, text: REWORDED.text } : item,
  );
  const { id } = await makeNextVersion(db, checklistId, { ...content, items }, lead);
  (bank as Map<BankName, BankStation>).set(REWORDED.station, {
    ...(bank.get(REWORDED.station) as BankStation),
    checklistVersionId: id,
  });
}

async function prepare(stage: Stage, sitting: Sitting): Promise<Examination> {
  const { db, lead } = stage;
  const { id } = await examinations.createExamination(
    db,
    {
      title: sitting.title,
      school: SCHOOL,
      cohort: sitting.cohort,
      heldOn: sitting.day,
      zone: 'Europe/Lisbon',
    },
    lead,
  );
  for (const name of sitting.stations) {
    const { versionId, checklistVersionId } = stage.bank.get(name) as BankStation;
    const { stationList } = await addStation(db, id, { bankVersionId: versionId }, lead);
    const added = stationList.at(-1) as Station;
    if (added.checklistVersionId === checklistVersionId) continue;
    await changeChecklistVersion(db, added.id, checklistVersionId, lead);
  }
  await importCandidates(db, id, candidateList(sitting), lead);
  const { stationList } = await examinations.describeExamination(db, id, lead);
  for (const station of stationList) await staff(stage, station);
  await planSheets(db, id, lead);
  return examinations.setMarkingOpen(db, id, true, lead);
}

/** The list as a school would send it: the first half in the first circuit. */
function candidateList({ cohort, candidates, firstName }: Sitting): string {
  const rows = Array.from({ length: candidates }, (_, i) => {
    const number = `${cohort.slice(2)}${String(i + 1).padStart(3, '0')}`;
    return `${i + 1},${studentName(firstName + i)},${circuitOf(i, candidates)},${number}`;
  });
  return ['number,name,circuit,student', ...rows].join('\n');
}

function circuitOf(place: number, candidates: number): string {
  return CIRCUITS[Math.floor((CIRCUITS.length * place) / candidates)] ?? '';
}

/** Says who marks here; everybody reads the briefing, but for the examiner who learnt it otherwise. */
async function staff(
  { db, lead, examiners, imperfections }: Stage,
  station: Station,
): Promise<void> {
  const here = examinersAt(station.position).map(({ email, every, circuit }) => ({
    account: examiners.find((examiner) => examiner.email === email) as Account,
    every,
    circuit,
  }));
  const assigned = here.map(({ account, ...rest }) => ({ accountId: account.id, ...rest }));
  await assignExaminers(db, station.id, { examiners: assigned }, lead);
  for (const { account } of here) {
    const { otherSchool } = imperfections;
    if (station.position === otherSchool?.position && account.name === otherSchool.examiner)
      continue;
    await confirmBriefing(db, station.id, account);
  }
}

async function mark(stage: Stage, examination: Examination, cohort: Cohort): Promise<void> {
  const { db, chance } = stage;
  const abilities = Array.from(
    { length: cohort.candidates },
    () => cohort.ability + chance.normal(),
  );
  for (const station of examination.stationList) {
    const { content } = await findChecklistVersion(db, station.checklistVersionId);
    const seen = playStation(station, content, abilities, cohort, chance);
    const filled = (await sheetsOfStation(db, station.id)).flatMap((sheet) => {
      const performance = seen[sheet.candidateNumber - 1];
      if (!performance) return [];
      const around = { station, content, cohort, day: examination.heldOn };
      return filledSheet(sheet, performance, around, chance);
    });
    await fillSheets(db, content, filled);
  }
}

function sign({ db, jobs, lead }: Stage, { id, stationList }: Examination, reason: string) {
  const settings = usualSettings(stationList.length);
  return signDecision(db, id, { settings, reason, follows: null }, lead, jobs);
}
