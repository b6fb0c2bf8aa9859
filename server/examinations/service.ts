import type { Account, ExaminationLead, ExaminationLeads } from '@kritikos/contracts/accounts';
import type {
  CountdownWarning,
  Examination,
  NewExamination,
  PhaseProgress,
} from '@kritikos/contracts/examinations';
import { heldDetails } from '@kritikos/core/examinations/heldDetails';
import { recordAction } from '../audit/repository.ts';
import { freezeVersionsOf } from '../checklists/repository.ts';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem, invalid, notFound } from '../http/problems.ts';
import { chosenCohort } from '../people/service.ts';
import * as stations from './stationRepository.ts';
import * as examinations from './repository.ts';
import type { StoredExamination } from './repository.ts';

export async function createExamination(
  db: Database,
  wanted: NewExamination,
  lead: Account,
): Promise<Examination> {
  const id = newId();
  await db.transaction(async (trx) => {
    const { cohort, ...rest } = wanted;
    const cohortId = await chosenCohort(trx, cohort, wanted.heldOn, lead);
    await examinations.insertExamination(trx, id, rest, cohortId, lead.id);
    await recordAction(trx, { accountId: lead.id, action: 'examination created', subject: id });
  });
  return describeExamination(db, id, lead);
}

/** The examination's page: its stations, and how far each phase of the cycle has come. */
export async function describeExamination(
  db: Database,
  id: string,
  viewer: Account,
): Promise<Examination> {
  const found = await requireExamination(db, id, viewer);
  const stationList = await stations.listStations(db, id, viewer.id);
  const counts = await examinations.cycleCounts(db, id, viewer.id);
  const staffed = stationList.filter((s) => s.examiners.length > 0).length;
  const steps = [
    found.candidates > 0,
    stationList.length > 0,
    stationList.length > 0 && staffed === stationList.length,
    found.sheets > 0,
  ];
  const progress: PhaseProgress[] = [
    { phase: 'prepare', done: steps.filter(Boolean).length, of: steps.length, unit: 'steps' },
    { phase: 'calibrate', done: counts.confirmed, of: counts.assigned, unit: 'briefings read' },
    { phase: 'mark', done: found.submitted, of: found.sheets, unit: 'sheets submitted' },
    { phase: 'agree', done: counts.pairsDone, of: counts.pairs, unit: 'pairs to compare' },
    { phase: 'standard', done: Math.min(1, counts.decisions), of: 1, unit: 'signed decision' },
    {
      phase: 'report',
      done: counts.decisions > 0 ? found.candidates : 0,
      of: found.candidates,
      unit: 'results ready',
    },
  ];
  const held = heldDetails({
    candidates: found.candidates,
    opened: found.markingOpenedAt !== null,
    published: counts.published,
    decisions: counts.decisions,
  });
  const { circuits, deletable } = counts;
  return { ...found, circuits, progress, held, deletable, stationList };
}

/** The examination, for whoever leads it or may read it. */
export async function requireExamination(
  db: Database,
  id: string,
  viewer: Account,
): Promise<StoredExamination> {
  const found = await examinations.findExamination(db, id, viewer.id);
  if (!found) throw notFound('examination');
  return found;
}

export async function requireStation(db: Database, id: string, viewer: Account) {
  const station = await stations.findStation(db, id, viewer.id);
  if (!station) throw notFound('station');
  return station;
}

/** The examination as it stands while this transaction holds it: preparation changes one at a time. */
export async function holdExamination(
  trx: Database,
  id: string,
  lead: Account,
): Promise<StoredExamination> {
  if (!(await examinations.lockExamination(trx, id, lead.id))) throw notFound('examination');
  return requireExamination(trx, id, lead);
}

export async function readLeads(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<ExaminationLead[]> {
  await requireExamination(db, examinationId, viewer);
  return examinations.listLeads(db, examinationId, viewer.id);
}

/** Says who leads the examination and who may read it; somebody always leads it. */
export async function changeLeads(
  db: Database,
  examinationId: string,
  { leads }: ExaminationLeads,
  lead: Account,
  hints: Hints,
): Promise<ExaminationLead[]> {
  const ids = leads.map((one) => one.accountId);
  if ((await examinations.countHolders(db, 'lead', ids)) !== ids.length) {
    throw invalid([
      { pointer: '/leads', detail: 'names somebody who does not hold the role of lead' },
    ]);
  }
  return db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    const before = await examinations.listLeads(trx, examinationId, lead.id);
    await examinations.replaceLeads(trx, examinationId, leads);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'leads changed',
      subject: examinationId,
      detail: { leads },
    });
    for (const id of new Set([...ids, ...before.map((one) => one.accountId)])) {
      await hints.accountChanged(trx, id);
    }
    // Whoever gave the lead away is shown what they did, once more.
    const [first = lead.id] = ids;
    return examinations.listLeads(trx, examinationId, ids.includes(lead.id) ? lead.id : first);
  });
}

/**
 * Opens marking, which freezes the checklists in use, or closes it for a break. A break does not
 * bring preparation back.
 */
export async function setMarkingOpen(
  db: Database,
  examinationId: string,
  open: boolean,
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    const found = await holdExamination(trx, examinationId, lead);
    if (open && found.putAway) {
      throw conflict('The examination is put away', 'Bring it back before marking is opened.');
    }
    if (open && found.sheets === 0) {
      throw conflict(
        'Marking cannot be opened yet',
        'Plan the sheets first: nobody has anything to mark.',
      );
    }
    if (open) await freezeVersionsOf(trx, examinationId);
    await examinations.setMarkingOpened(trx, examinationId, open);
    await recordAction(trx, {
      accountId: lead.id,
      action: open ? 'marking opened' : 'marking closed',
      subject: examinationId,
    });
  });
  return describeExamination(db, examinationId, lead);
}

/** Says how long before the end of a station its clock warns; tablets take it with the next sheet. */
export async function changeWarning(
  db: Database,
  examinationId: string,
  { seconds }: CountdownWarning,
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await examinations.setWarning(trx, examinationId, seconds);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'countdown warning changed',
      subject: examinationId,
      detail: { seconds },
    });
  });
  return describeExamination(db, examinationId, lead);
}

/** What is prepared stays as it is once marking has been opened; `why` says whom that serves. */
export function refuseOnceOpened(examination: StoredExamination, why: string): void {
  if (examination.markingOpenedAt === null) return;
  throw new HttpProblem(409, 'frozen', 'Marking was opened', why);
}
