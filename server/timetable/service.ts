import type { Account } from '@kritikos/contracts/accounts';
import type {
  Plan,
  PlanChanged,
  PlanSummary,
  Timetable,
  TimetableWish,
} from '@kritikos/contracts/timetable';
import { changed, sayChange } from '@kritikos/core/timetable/changes';
import { faultsIn, hardWords, newFaults } from '@kritikos/core/timetable/faults';
import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { cycleCounts } from '../examinations/repository.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { conflict, HttpProblem, invalid, notFound } from '../http/problems.ts';
import * as plans from './planRepository.ts';
import { questionOf } from './question.ts';
import type { Known } from './question.ts';
import { listPlaces, listRooms } from './resourceRepository.ts';
import { begunSheets, deleteSlots, insertSlots, readSlots } from './slotRepository.ts';

const MINUTE = 60_000;

/** What was asked last, or what an examination like this is usually asked. */
export async function wishOf(
  db: Database,
  examination: { readonly id: string; readonly heldOn: string },
  viewer: Account,
): Promise<TimetableWish> {
  const asked = await plans.findWish(db, examination.id, viewer.id);
  if (asked) return asked;
  const { circuits } = await cycleCounts(db, examination.id, viewer.id);
  return {
    sessions: [{ date: examination.heldOn, from: '08:30', until: '17:30' }],
    circuits: Math.max(1, Math.min(12, circuits.length)),
    readingMinutes: 2,
    changeMinutes: 1,
    rests: 0,
    breaks: null,
    quarantineMinutes: null,
    pairs: 0,
    seed: 7,
  };
}

export async function readTimetable(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Timetable> {
  const examination = await requireExamination(db, examinationId, viewer);
  return {
    wish: await wishOf(db, examination, viewer),
    zone: examination.zone,
    plans: await plans.listPlans(db, examinationId, viewer.id),
    copies: await plans.listCopies(db, examinationId, viewer.id),
  };
}

export async function keepWish(
  db: Database,
  examinationId: string,
  wish: TimetableWish,
  lead: Account,
): Promise<Timetable> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await plans.keepWish(trx, examinationId, wish, lead.id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'timetable asked',
      subject: examinationId,
      detail: { wish },
    });
  });
  return readTimetable(db, examinationId, lead);
}

/** A plan with the question as it is now: what has become known since shows as a fault. */
interface Opened {
  readonly summary: PlanSummary;
  readonly problem: PlanningProblem;
  readonly known: Known;
  readonly slots: Slot[];
}

export async function openPlan(
  db: Database,
  examinationId: string,
  id: string,
  viewer: Account,
): Promise<Opened> {
  const examination = await requireExamination(db, examinationId, viewer);
  const summary = await plans.findPlan(db, examinationId, id, viewer.id);
  if (!summary) throw notFound('plan');
  const { problem, known } = await questionOf(db, examination, summary.wish, viewer);
  const slots = await readSlots(db, id, viewer.id, known);
  return { summary, problem: holding(problem, slots), known, slots };
}

/** A plan may have more circuits than there is now enough for; it is judged by its own. */
function holding(problem: PlanningProblem, slots: readonly Slot[]): PlanningProblem {
  const circuits = slots.reduce(
    (most, { circuit }) => Math.max(most, circuit + 1),
    problem.circuits,
  );
  return { ...problem, circuits };
}

export async function readPlan(
  db: Database,
  examinationId: string,
  id: string,
  viewer: Account,
): Promise<Plan> {
  const { summary, problem, known, slots } = await openPlan(db, examinationId, id, viewer);
  const { zone } = await requireExamination(db, examinationId, viewer);
  const rooms = new Map((await listRooms(db)).map((room) => [room.id, room]));
  const places = (await listPlaces(db, examinationId, viewer.id)).map(
    ({ stationId, circuit, roomId, couch }) => {
      const room = rooms.get(roomId);
      const where = `${room?.name ?? ''}${(room?.couches ?? 1) > 1 ? `, couch ${couch}` : ''}`;
      return [`${circuit} ${known.stations.nameOf(stationId)}`, where] as const;
    },
  );
  return {
    ...summary,
    zone,
    problem: problem as Plan['problem'],
    slots,
    circuitNames: await circuitNames(db, examinationId, viewer, problem.circuits),
    places: Object.fromEntries(places),
    changes: (await plans.standingChanges(db, id)).map(({ revision, words, by }) => ({
      revision,
      words,
      by,
    })),
  };
}

/** As the candidates' circuits are called already, and by letters beyond. */
async function circuitNames(
  db: Database,
  examinationId: string,
  viewer: Account,
  count: number,
): Promise<string[]> {
  const { circuits } = await cycleCounts(db, examinationId, viewer.id);
  return Array.from({ length: count }, (_, i) => circuits[i] ?? String.fromCharCode(65 + i));
}

/** Holds a draft at the revision that the caller knows; nobody changes what they have not seen. */
export async function holdDraft(
  trx: Database,
  examinationId: string,
  id: string,
  revision: number,
  lead: Account,
): Promise<void> {
  const held = await plans.lockPlan(trx, examinationId, id, lead.id);
  if (!held || held.state === 'dropped') throw notFound('plan');
  if (held.state !== 'draft') {
    throw new HttpProblem(
      409,
      'frozen',
      'This plan is published',
      'Plan the rest of the day again from it, or plan anew; that makes a draft, which can be changed.',
    );
  }
  if (held.revision !== revision) {
    throw conflict(
      'Somebody changed the plan meanwhile',
      'Nothing of yours was taken. Look at the plan as it is now, and change it again.',
    );
  }
}

/** Changes a draft by hand. A change after which the day cannot be run is refused, with the reasons. */
export async function changePlan(
  db: Database,
  examinationId: string,
  id: string,
  { revision, change }: PlanChanged,
  lead: Account,
): Promise<{ revision: number }> {
  const { problem, known, slots } = await openPlan(db, examinationId, id, lead);
  let after: Slot[];
  try {
    after = changed(problem, slots, change);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw invalid([{ pointer: '/change', detail: error.message }]);
  }
  const hard = hardWords(newFaults(faultsIn(problem, slots), faultsIn(problem, after)));
  if (hard.length > 0) {
    throw conflict(
      'The day could not be run so',
      `${hard.slice(0, 3).join('. ')}. Nothing was changed.`,
    );
  }
  await refuseBegun(db, examinationId, slots, after, known, lead);
  await db.transaction(async (trx) => {
    await holdDraft(trx, examinationId, id, revision, lead);
    const words = sayChange(change);
    await keepDifference(
      trx,
      { id, revision: revision + 1, words, undoes: null, lead },
      slots,
      after,
      known,
    );
  });
  return { revision: revision + 1 };
}

/** What somebody has begun to mark stays where it is. */
async function refuseBegun(
  db: Database,
  examinationId: string,
  before: readonly Slot[],
  after: readonly Slot[],
  known: Known,
  lead: Account,
): Promise<void> {
  const begun = await begunSheets(db, examinationId, lead.id);
  if (begun.size === 0) return;
  const sheetsOf = (slots: readonly Slot[]) =>
    slots.flatMap(({ station, candidate, examiner, second }) =>
      station === null
        ? []
        : [examiner, second].flatMap((who) =>
            who === null
              ? []
              : [
                  {
                    key: `${known.stations.idOf(station)} ${known.candidates.idOf(candidate)} ${known.examiners.idOf(who)}`,
                    station,
                    candidate,
                    who,
                  },
                ],
          ),
    );
  const kept = new Set(sheetsOf(after).map(({ key }) => key));
  const lost = sheetsOf(before).find(({ key }) => begun.has(key) && !kept.has(key));
  if (!lost) return;
  throw new HttpProblem(
    409,
    'frozen',
    'Somebody has begun to mark that',
    `${lost.who} has begun the sheet of ${lost.candidate} at ${lost.station}. It stays where it is; nothing was changed.`,
  );
}

interface Step {
  readonly id: string;
  readonly revision: number;
  readonly words: string;
  readonly undoes: number | null;
  readonly lead: Account;
}

async function keepDifference(
  trx: Database,
  { id, revision, words, undoes, lead }: Step,
  slots: readonly Slot[],
  after: readonly Slot[],
  known: Known,
): Promise<void> {
  const key = (slot: Slot) => JSON.stringify(slot);
  const [old, now] = [new Set(slots.map(key)), new Set(after.map(key))];
  const gone = slots.filter((slot) => !now.has(key(slot)));
  const come = after.filter((slot) => !old.has(key(slot)));
  await deleteSlots(trx, id, gone, known);
  await insertSlots(trx, id, come, known);
  await plans.insertChange(trx, {
    timetableId: id,
    revision,
    words,
    before: gone,
    after: come,
    undoes,
    madeBy: lead.id,
  });
  await plans.setRevision(trx, id, revision);
  await recordAction(trx, {
    accountId: lead.id,
    action: undoes === null ? 'timetable changed' : 'timetable change undone',
    subject: id,
    detail: { words, revision },
  });
}

/** Undoes the last change that is not undone. */
export async function undoChange(
  db: Database,
  examinationId: string,
  id: string,
  revision: number,
  lead: Account,
): Promise<Plan> {
  const { known, slots } = await openPlan(db, examinationId, id, lead);
  await db.transaction(async (trx) => {
    await holdDraft(trx, examinationId, id, revision, lead);
    const [last] = await plans.standingChanges<Slot>(trx, id);
    if (!last) throw conflict('There is nothing to undo', 'Nothing was changed by hand here.');
    // The database keeps times to the millisecond.
    const key = ({ candidate, start }: Slot) => `${candidate} ${Math.round(start * MINUTE)}`;
    const taken = new Set(last.after.map(key));
    const back = [...slots.filter((slot) => !taken.has(key(slot))), ...last.before];
    const words = `undone: ${last.words}`;
    const step = { id, revision: revision + 1, words, undoes: last.revision, lead };
    await keepDifference(trx, step, slots, back, known);
  });
  return readPlan(db, examinationId, id, lead);
}

export async function dropDraft(
  db: Database,
  examinationId: string,
  id: string,
  lead: Account,
): Promise<Timetable> {
  await db.transaction(async (trx) => {
    const held = await plans.lockPlan(trx, examinationId, id, lead.id);
    if (held?.state !== 'draft') throw notFound('draft');
    await plans.dropPlan(trx, id);
    await recordAction(trx, { accountId: lead.id, action: 'timetable dropped', subject: id });
  });
  return readTimetable(db, examinationId, lead);
}
