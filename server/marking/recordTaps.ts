import type { Account } from '@kritikos/contracts/accounts';
import { markEvent } from '@kritikos/contracts/marking';
import type { MarkEvent, Recorded, RecordEvents, TapAnswer } from '@kritikos/contracts/marking';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import { keptItems } from '@kritikos/core/scoring/keptItems';
import { rulesOf, scoreSheet } from '@kritikos/core/scoring/scoreSheet';
import type { Database } from '../db/database.ts';
import { HttpProblem, notAllowed, notFound } from '../http/problems.ts';
import type { Credentials } from '../http/session.ts';
import { frozenChecklist, knownChecklist } from './frozenChecklist.ts';
import * as marking from './repository.ts';
import { requireSheet } from './service.ts';
import type { TapQueue } from './tapQueue.ts';
import { whyNotTaken } from './whyNotTaken.ts';

/** A tap that can be read and stands on its checklist, or the reason why it cannot. */
type Tap = { readonly event: MarkEvent } | { readonly event: null; readonly answer: TapAnswer };
type GoodTap = Extract<Tap, { event: MarkEvent }>;

interface Written {
  readonly answers: ReadonlyMap<Tap, TapAnswer>;
  readonly before: number;
  readonly stamp: number;
  readonly submittedAt: string | null;
}

/**
 * Writes an examiner’s taps down, each exactly once, and answers for each. What is answered as
 * kept is on disk.
 *
 * A tap that is there already is answered again without effect, because a device that lost the
 * answer sends it again. A tap that cannot be taken is named with its reason and does not hold up
 * the others; only a submission waits for the taps before it.
 */
export async function recordTaps(
  db: Database,
  sheetId: string,
  batch: RecordEvents,
  examiner: Account,
): Promise<Recorded> {
  if (batch.account !== examiner.id) {
    throw new HttpProblem(
      409,
      'other-account',
      'Somebody else is signed in on this device',
      'These marks are sent when the examiner who made them signs in again.',
    );
  }
  const taps = await readTaps(db, batch);
  const good = taps.filter((tap) => tap.event !== null);
  const { answers, before, stamp, submittedAt } = good.some(isSubmission)
    ? await db.transaction((trx) => writeUpToSubmission(trx, sheetId, good, taps, examiner))
    : await write(db, sheetId, good, examiner);
  const inOrder = taps.map((tap) => answers.get(tap) ?? answerTo(tap, undefined));
  return { answers: inOrder, before, stamp, submittedAt };
}

/**
 * The same for taps that want no more than to be written, by whoever the credentials are of, with
 * whatever other requests come at the same moment. Answers `null` where that cannot be said with a
 * plain yes: a submission among them, or any reason to refuse.
 */
export async function recordTapsAs(
  db: Database,
  queue: TapLine,
  credentials: Credentials,
  sheet: string,
  batch: RecordEvents,
): Promise<Recorded | null> {
  const taps = await readTaps(db, batch);
  const events = taps.flatMap((tap) => tap.event ?? []);
  if (events.length < taps.length || events.some((event) => event.body.type === 'submit'))
    return null;
  const result = await queue.add({
    ...credentials,
    sheet,
    account: batch.account,
    taps: events,
  });
  if ('refusal' in result) return null;
  const { outcomes, before, stamp, submittedAt } = result;
  return { answers: taps.map((tap, i) => answerTo(tap, outcomes[i])), before, stamp, submittedAt };
}

export type TapLine = TapQueue<
  marking.TapRequest,
  marking.RecordedTaps | { readonly refusal: marking.SheetRefusal }
>;

async function readTaps(db: Database, batch: RecordEvents): Promise<Tap[]> {
  const taps: Tap[] = [];
  for (const event of batch.events) taps.push(await readTap(db, event));
  return taps;
}

/** Reads one tap of a batch, or says why it cannot stand on the checklist that it names. */
async function readTap(db: Database, sent: unknown): Promise<Tap> {
  const read = markEvent.safeParse(sent);
  if (!read.success) {
    const id = markEvent.shape.id.safeParse((sent as { id?: unknown } | null)?.id);
    const issues = read.error.issues.map(
      ({ path, message }) => `${path.at(-1)?.toString() ?? 'it'} ${message}`,
    );
    return refusedTap(id.success ? id.data : null, `This cannot be stored: ${issues.join('; ')}.`);
  }
  const event = read.data;
  const checklist = await knownChecklist(db, event.checklistVersionId);
  if (!checklist) return refusedTap(event.id, 'It names a checklist version that is not here.');
  const reason = whyNotTaken(event.body, checklist.content);
  return reason === null ? { event } : refusedTap(event.id, reason);
}

function refusedTap(id: string | null, reason: string): Tap {
  return { event: null, answer: { outcome: 'refused', id, reason } };
}

/** Writes taps in one statement; what is answered is what the database says became of each. */
async function write(
  db: Database,
  sheetId: string,
  taps: readonly GoodTap[],
  examiner: Account,
): Promise<Written & { readonly rated: boolean }> {
  const events = taps.map((tap) => tap.event);
  const result = await marking.recordTaps(db, sheetId, examiner.id, events);
  if ('refusal' in result) throw whyNotTheirs(result.refusal);
  const answers = new Map(taps.map((tap, i) => [tap, answerTo(tap, result.outcomes[i])]));
  const { before, stamp, submittedAt, rated } = result;
  return { answers, before, stamp, submittedAt, rated };
}

function answerTo(tap: Tap, outcome: marking.TapOutcome | undefined): TapAnswer {
  if (tap.event === null) return tap.answer;
  const { id } = tap.event;
  const refused = (reason: string): TapAnswer => ({ outcome: 'refused', id, reason });
  switch (outcome) {
    case 'kept':
    case 'late':
      return { outcome, id };
    case 'other-body':
      return refused('Another tap has the same id.');
    case 'place-taken':
      return refused('Another tap has its place (device and sequence).');
    case undefined:
      return refused('It was not written; do it again.');
  }
}

/**
 * The taps before a submission, the submission with its score, and what came after it, in one
 * transaction. The submission is refused where a tap of its batch was, or where the overall grade
 * is missing; the other taps stand all the same.
 */
async function writeUpToSubmission(
  trx: Database,
  sheetId: string,
  good: readonly GoodTap[],
  sent: readonly Tap[],
  examiner: Account,
): Promise<Written> {
  const inOrder = [...good].sort((a, b) => a.event.sequence - b.event.sequence);
  const place = inOrder.findIndex(isSubmission);
  const submission = inOrder[place] as GoodTap;
  const earlier = await write(trx, sheetId, inOrder.slice(0, place), examiner);
  const answers = new Map(earlier.answers);
  const refused =
    sent.some((tap) => tap.event === null) ||
    [...answers.values()].some((answer) => answer.outcome === 'refused');
  if (earlier.submittedAt === null && (refused || !earlier.rated)) {
    const reason = refused
      ? 'A tap before it was refused; put that right first.'
      : 'It needs the overall grade first; borderline regression cannot do without it.';
    const { id } = submission.event;
    return { ...earlier, answers: answers.set(submission, { outcome: 'refused', id, reason }) };
  }
  const submitted = await write(trx, sheetId, [submission], examiner);
  if (submitted.answers.get(submission)?.outcome === 'kept' && earlier.submittedAt === null) {
    await score(trx, sheetId, examiner);
  }
  const later = await write(trx, sheetId, inOrder.slice(place + 1), examiner);
  for (const [tap, answer] of [...submitted.answers, ...later.answers]) answers.set(tap, answer);
  return { ...later, answers, before: earlier.before };
}

function isSubmission(tap: GoodTap): boolean {
  return tap.event.body.type === 'submit';
}

/** Fixes the score of a sheet at its submission. */
async function score(db: Database, sheetId: string, examiner: Account): Promise<void> {
  const sheet = await requireSheet(db, sheetId, examiner);
  const { checklistVersionId, patientReadings, variants } = sheet;
  const { content } = await frozenChecklist(db, checklistVersionId);
  const { marks } = await marking.marksAndFaults(db, sheet);
  const items = withReadings(content.items, patientReadings);
  const score = scoreSheet(items, marks, variants, rulesOf(content));
  await marking.markSubmitted(db, sheet, score, keptItems(items, marks, score));
}

function whyNotTheirs(refusal: marking.SheetRefusal): HttpProblem {
  switch (refusal) {
    case 'no-sheet':
      return notFound('sheet');
    case 'no-session':
    case 'other-examiner':
      return notAllowed('This is another examiner’s sheet. Examiners mark and see only their own.');
    case 'not-assigned':
      return notAllowed(
        'You were taken off this station. What you had begun can be finished; nothing new can be begun.',
      );
    case 'not-open':
      return new HttpProblem(
        409,
        'marking-closed',
        'Marking is not open',
        'The lead opens it; sheets under way can still be finished.',
      );
  }
}
