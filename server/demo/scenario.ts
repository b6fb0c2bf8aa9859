import type { Account } from '@kritikos/contracts/accounts';
import type { Examination, Station } from '@kritikos/contracts/examinations';
import type { EventBody, MarkEvent } from '@kritikos/contracts/marking';
import { seededChance } from '@kritikos/core/numerics/random';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import { newestVersions } from '../checklists/repository.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import { createAccount, createFirstAdministrator } from '../accounts/service.ts';
import { hasAnyAccount } from '../accounts/repository.ts';
import { confirmBriefing } from '../calibration/service.ts';
import type { Database } from '../db/database.ts';
import { importCandidates } from '../examinations/candidates.ts';
import { planSheets } from '../examinations/planning.ts';
import * as examinations from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import type { Jobs } from '../jobs/jobs.ts';
import { ownStations } from '../marking/repository.ts';
import { recordTaps } from '../marking/recordTaps.ts';
import { signDecision, usualSettings } from '../standards/service.ts';
import { CANDIDATE_NAMES, DEMO_PASSWORD, EXAMINERS, LEAD, SCHOOL } from './people.ts';
import { grade, perform, watch } from './performance.ts';
import type { Eye, Performance } from './performance.ts';

/**
 * The demo scenario: one examination of four stations and 24 candidates, marked by six examiners
 * through the same services as live marking, from a seed. What is wrong with it on purpose:
 *
 * - Greta Mukherjee, second examiner of stations 1 and 2, is hard on technique;
 * - at station 2 one item (pelvis-level) is ambiguous: both examiners split at random;
 * - hand hygiene is an item that everyone passes;
 * - Osei Fontaine, second at stations 3 and 4, learnt the ankle with a straight knee;
 * - one sheet has missing marks, one station was interrupted by a safety event;
 * - candidate 24 came late and is still to be marked.
 */
export const IMPERFECTIONS = {
  hardExaminer: 'Greta Mukherjee',
  ambiguousItem: { position: 2, item: 'pelvis-level' },
  easyItem: 'hand-hygiene',
  otherSchool: { position: 4, item: 'slack-calf', examiner: 'Osei Fontaine' },
  missingMarks: { position: 3, candidate: 9 },
  safetyEvent: { position: 3, candidate: 17 },
  lateCandidate: 24,
} as const;

const SEED = 20_261_124;
const DAY = '2026-11-20';
const STATIONS = [
  { procedure: 'lachman-anterior-translation', title: 'Knee that gave way', minutes: 8 },
  { procedure: 'faber', title: 'Groin pain on sitting', minutes: 8 },
  { procedure: 'apprehension-90-90', title: 'Shoulder that slips', minutes: 8 },
  { procedure: 'ankle-anterior-drawer', title: 'Unsteady ankle', minutes: 8 },
] as const;

/** Loads the scenario into an empty database; leaves a database with people in it alone. */
export async function loadDemo(db: Database, jobs: Jobs): Promise<boolean> {
  if (await hasAnyAccount(db)) return false;
  const lead = await createFirstAdministrator(db, { ...LEAD, password: DEMO_PASSWORD });
  const examiners: Account[] = [];
  for (const person of EXAMINERS) {
    examiners.push(
      await createAccount(db, { ...person, password: DEMO_PASSWORD }, ['examiner'], lead),
    );
  }
  const examination = await prepare(db, lead, examiners);
  await markEverybody(db, examination, examiners);
  await signDecision(
    db,
    examination.id,
    {
      settings: usualSettings(STATIONS.length),
      reason: 'Provisional: candidate 24 came late and is still to be marked.',
      follows: null,
    },
    lead,
    jobs,
  );
  return true;
}

async function prepare(
  db: Database,
  lead: Account,
  examiners: readonly Account[],
): Promise<Examination> {
  const { id } = await examinations.createExamination(
    db,
    {
      title: 'Orthopedic special tests, second year',
      school: SCHOOL,
      cohort: '2026',
      heldOn: DAY,
      zone: 'Europe/Lisbon',
    },
    lead,
  );
  const checklists = await newestVersions(db);
  for (const { procedure, title, minutes } of STATIONS) {
    const checklist = checklists.find((c) => c.procedureId === procedure);
    if (!checklist) throw new Error(`The catalogue has no ${procedure}.`);
    await examinations.addStation(
      db,
      id,
      { title, minutes, checklistVersionId: checklist.versionId },
      lead,
    );
  }
  const rows = CANDIDATE_NAMES.map(
    (name, i) => `${i + 1},${name},${i % 2 === 0 ? 'Green' : 'White'}`,
  );
  await importCandidates(db, id, ['number,name,circuit', ...rows].join('\n'), lead);
  const { stationList } = await examinations.describeExamination(db, id, lead);
  for (const [i, station] of stationList.entries()) {
    const first = examiners[i] as Account;
    const second = examiners[i < 2 ? 4 : 5] as Account;
    await examinations.assignExaminers(
      db,
      station.id,
      {
        examiners: [
          { accountId: first.id, every: 1 },
          { accountId: second.id, every: 3 },
        ],
      },
      lead,
    );
    // Everybody read the briefing, but for the examiner who learnt it otherwise.
    await confirmBriefing(db, station.id, first);
    if (i !== 3) await confirmBriefing(db, station.id, second);
  }
  await planSheets(db, id, lead);
  return examinations.setMarkingOpen(db, id, true, lead);
}

async function markEverybody(
  db: Database,
  { stationList }: Examination,
  examiners: readonly Account[],
): Promise<void> {
  const chance = seededChance(SEED);
  const abilities = CANDIDATE_NAMES.map(() => chance.normal());
  const performances = new Map<string, Performance>();
  for (const station of stationList) {
    const { content } = await findChecklistVersion(db, station.checklistVersionId);
    for (const [i, ability] of abilities.entries()) {
      const seen = { ...usualVariants(content) };
      for (const { procedure, variants, usualVariant } of content.procedures) {
        const other = variants.find((v) => v.key !== usualVariant);
        if (chance.uniform() < 0.12 && other) seen[procedure] = other.key;
      }
      performances.set(`${station.position} ${i + 1}`, perform(content, ability, seen, chance));
    }
  }
  for (const examiner of examiners) {
    for (const own of await ownStations(db, examiner.id)) {
      const station = stationList.find((s) => s.id === own.stationId);
      if (!station) continue;
      const { content } = await findChecklistVersion(db, station.checklistVersionId);
      const eye = eyeOf(examiner.name, station.position);
      const ambiguous =
        station.position === IMPERFECTIONS.ambiguousItem.position
          ? [IMPERFECTIONS.ambiguousItem.item]
          : [];
      for (const sheet of own.sheets) {
        const seen = performances.get(`${station.position} ${sheet.candidateNumber}`);
        if (!seen || sheet.candidateNumber === IMPERFECTIONS.lateCandidate) continue;
        let bodies: EventBody[] = watch(content, seen, eye, ambiguous, chance);
        const usual = usualVariants(content);
        for (const [procedure, variant] of Object.entries(seen.variants)) {
          if (variant !== usual[procedure]) bodies.unshift({ type: 'variant', procedure, variant });
        }
        const rating = grade(seen, eye, chance);
        bodies = disturb(bodies, station.position, sheet.candidateNumber, station.minutes * 60);
        bodies.push({ type: 'rating', grade: rating }, { type: 'submit' });
        if (rating <= 2)
          bodies.splice(-2, 0, {
            type: 'comment',
            text: 'Hesitant; order lost, side comparison weak.',
          });
        const events = stamped(bodies, station, sheet.candidateNumber);
        await recordTaps(db, sheet.id, { account: examiner.id, events }, examiner);
      }
    }
  }
}

function eyeOf(name: string, position: number): Eye {
  const { hardExaminer, otherSchool } = IMPERFECTIONS;
  return {
    harshness: name === hardExaminer ? 0.45 : 0.03,
    otherSchool:
      name === otherSchool.examiner && position === otherSchool.position ? [otherSchool.item] : [],
  };
}

/** Takes marks out of one sheet, and breaks one station off with a safety event. */
function disturb(
  bodies: EventBody[],
  position: number,
  candidate: number,
  seconds: number,
): EventBody[] {
  const { missingMarks, safetyEvent } = IMPERFECTIONS;
  if (position === missingMarks.position && candidate === missingMarks.candidate) {
    const marks = bodies.filter((b) => b.type === 'mark').slice(-3);
    return bodies.filter((b) => !marks.includes(b as (typeof marks)[number]));
  }
  if (position === safetyEvent.position && candidate === safetyEvent.candidate) {
    const stop = bodies.findIndex((b) => b.type === 'mark' && b.item === 'relocation');
    const after = bodies
      .slice(stop)
      .flatMap((body): EventBody[] =>
        body.type === 'mark'
          ? [{ ...body, value: null, observation: 'not-applicable', manner: 'done' }]
          : [],
      );
    return [
      ...bodies.slice(0, stop),
      {
        type: 'safety',
        note: 'Simulated patient felt the shoulder slip; rested, well after five minutes.',
        remaining: seconds / 3,
      },
      ...after,
    ];
  }
  return bodies;
}

/** Gives the taps their ids and times: one rotation of ten minutes a candidate, from nine o’clock. */
function stamped(
  bodies: readonly EventBody[],
  { position, minutes, checklistVersionId }: Station,
  candidate: number,
): MarkEvent[] {
  const begin = Date.parse(`${DAY}T09:00:00Z`) + ((candidate + position) % 24) * 10 * 60_000;
  const start: EventBody = { type: 'clock', running: true, remaining: minutes * 60 };
  const all = [start, ...bodies];
  return all.map((body, sequence) => ({
    id: newId(),
    device: 'demo',
    sequence,
    at: new Date(begin + (sequence / all.length) * minutes * 60_000).toISOString(),
    clockAhead: 0,
    checklistVersionId,
    body,
  }));
}
