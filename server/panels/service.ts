import type { Account } from '@kritikos/contracts/accounts';
import type { NewPanel, NewSeat, Panel, PanelList, SeatLink } from '@kritikos/contracts/panels';
import { panelRound } from '@kritikos/core/panels/panelRound';
import QRCode from 'qrcode';
import { makeLink } from '../accounts/links.ts';
import { revokeLinks } from '../accounts/linkRepository.ts';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid, notFound } from '../http/problems.ts';
import type { House } from '../http/route.ts';
import { LINK, writeLetter } from '../post/letters.ts';
import * as repository from './repository.ts';
import type { Round, Seat, StoredPanel } from './repository.ts';
import { questionsOf, toJudge } from '@kritikos/core/panels/toJudge';
import { subjectsOf } from './subjects.ts';

const MOST_ROUNDS = 9;

/** Everything that the lead sees of the panels of an examination. */
export async function readPanels(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<PanelList> {
  await requireExamination(db, examinationId, viewer);
  const stored = await repository.listPanels(db, examinationId, viewer.id);
  return { panels: await Promise.all(stored.map((panel) => describe(db, panel, viewer))) };
}

async function describe(db: Database, stored: StoredPanel, viewer: Account): Promise<Panel> {
  const { id, title, method, level, asksHofstee, asksBeuk, showsFacilities, madeBy } = stored;
  const panel = { id, title, method, level, asksHofstee, asksBeuk, showsFacilities, madeBy };
  const stations = await repository.panelStations(db, panel.id);
  const subjects = await subjectsOf(db, stations, panel.level, viewer);
  const seats = await repository.listSeats(db, panel.id);
  const handedIn = await repository.handIns(db, panel.id);
  const rounds = await Promise.all(
    (await repository.listRounds(db, panel.id)).map(async (round) => {
      const words = await repository.newestWords(db, panel.id, round.number);
      const handed = new Map(
        handedIn.filter(({ number }) => number === round.number).map((h) => [h.seatId, h.at]),
      );
      return describeRound(panel, round, { subjects, seats, words, handed });
    }),
  );
  return {
    ...panel,
    madeAt: stored.madeAt.toISOString(),
    stations: stations.map(({ id, position, title }) => ({ id, position, title })),
    subjects,
    seats: seats.map(({ id, name, email, withdrawn, linkUntil }) => ({
      id,
      name,
      email,
      withdrawn,
      linkUntil: linkUntil?.toISOString() ?? null,
    })),
    rounds,
    events: await repository.listEvents(db, panel.id),
  };
}

interface SaidInRound {
  readonly subjects: Panel['subjects'];
  readonly seats: readonly Seat[];
  readonly words: readonly repository.Word[];
  readonly handed: ReadonlyMap<string, Date>;
}

/**
 * A round counts whoever handed it in. While it is open nobody sees what was said, the lead neither:
 * only how far each judge is.
 */
function describeRound(
  panel: Pick<Panel, 'method' | 'asksHofstee' | 'asksBeuk'>,
  { number, open }: Round,
  { subjects, seats, words, handed }: SaidInRound,
): Panel['rounds'][number] {
  const said = new Map(
    seats.map(({ id }) => [id, repository.asJudgements(words.filter((w) => w.seatId === id))]),
  );
  const counting = open ? [] : seats.filter(({ id }) => handed.has(id));
  const earned = Object.fromEntries(subjects.map(({ key, earned }) => [key, earned]));
  const judgements = counting.map(({ id }) => said.get(id) ?? repository.asJudgements([]));
  const result = panelRound(panel.method, subjects, judgements, earned);
  const keys = subjects.map(({ key }) => key);
  const progressOf = (seat: string) => {
    const own = words.filter((word) => word.seatId === seat);
    const bySubject = Object.fromEntries(own.map((word) => [word.subject, word]));
    return toJudge(keys, questionsOf(panel), bySubject);
  };
  return {
    number,
    open,
    cut: plain(result.cut),
    spread: result.spread,
    stations: result.stations.map(({ station, cut }) => ({ station, cut: plain(cut) })),
    judges: seats.flatMap(({ id, withdrawn }) => {
      if (withdrawn && !handed.has(id)) return [];
      const own = result.judges[counting.findIndex((seat) => seat.id === id)];
      return [
        {
          seat: id,
          cut: own?.cut ?? null,
          far: own?.far ?? false,
          ...progressOf(id),
          againstData: own?.againstData ?? null,
          handedInAt: handed.get(id)?.toISOString() ?? null,
        },
      ];
    }),
    subjects: result.subjects.map((own) => ({ ...own, values: [...own.values] })),
    answers: judgements.map(({ answers }) => answers),
  };
}

function plain(cut: ReturnType<typeof panelRound>['cut']): Panel['rounds'][number]['cut'] {
  const { estimate, lower, upper, standardError, method, n, notes } = cut;
  return {
    estimate,
    lower: lower ?? null,
    upper: upper ?? null,
    standardError: standardError ?? null,
    method,
    n,
    notes: [...notes],
  };
}

export async function makePanel(
  db: Database,
  examinationId: string,
  { stations, ...wanted }: NewPanel,
  lead: Account,
): Promise<PanelList> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    const others = await repository.listPanels(trx, examinationId, lead.id);
    if (others.some(({ title }) => title === wanted.title)) {
      throw invalid([{ pointer: '/title', detail: 'is the title of another panel here' }]);
    }
    const id = newId();
    await repository.insertPanel(trx, { id, examinationId, ...wanted, madeById: lead.id });
    const found = await repository.insertStations(trx, id, examinationId, stations);
    if (found !== stations.length) {
      throw invalid([
        { pointer: '/stations', detail: 'names a station that is not of this examination' },
      ]);
    }
    await recordAction(trx, {
      accountId: lead.id,
      action: 'panel made',
      subject: examinationId,
      detail: { panel: id, ...wanted, stations },
    });
  });
  return readPanels(db, examinationId, lead);
}

/**
 * Gives a judge a seat. The link to it is answered here; beside that, only a letter holds it, sealed,
 * until it has left.
 */
export async function giveSeat(
  db: Database,
  panelId: string,
  { name, email }: NewSeat,
  house: House,
  lead: Account,
): Promise<SeatLink> {
  return db.transaction(async (trx) => {
    const panel = await requirePanel(trx, panelId, lead);
    const id = newId();
    if (!(await repository.insertSeat(trx, { id, panelId, name, email }))) {
      throw invalid([{ pointer: '/name', detail: 'has a seat already; make another link to it' }]);
    }
    await recordAction(trx, {
      accountId: lead.id,
      action: 'panel seat given',
      subject: panel.examinationId,
      detail: { panel: panelId, seat: id, name },
    });
    return linkTo(trx, panel, { id, name, email }, house, lead);
  });
}

export async function linkSeat(
  db: Database,
  seatId: string,
  house: House,
  lead: Account,
): Promise<SeatLink> {
  return db.transaction(async (trx) => {
    const seat = await repository.findSeat(trx, seatId, lead.id);
    if (!seat || seat.withdrawn) throw notFound('seat');
    const panel = await requirePanel(trx, seat.panelId, lead);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'panel link renewed',
      subject: panel.examinationId,
      detail: { seat: seatId },
    });
    return linkTo(trx, panel, seat, house, lead);
  });
}

async function linkTo(
  trx: Database,
  panel: StoredPanel,
  { id, name, email }: Pick<Seat, 'id' | 'name' | 'email'>,
  house: House,
  lead: Account,
): Promise<SeatLink> {
  const { id: linkId, token } = await makeLink(trx, 'panel-seat', id, lead.id);
  const link = `${house.door}/panel#${token}`;
  const { linkUntil } = (await repository.findSeat(trx, id, lead.id)) ?? {};
  if (!linkUntil) throw new Error('The link of a seat does not hold.');
  if (email !== null) {
    await writeLetter(trx, house, {
      linkId,
      link,
      recipient: email,
      subject: `Your seat on a panel: ${panel.title}`,
      body: [
        `Dear ${name},`,
        '',
        `${lead.name} asks you to judge what a borderline candidate would earn. Open this link on any device:`,
        '',
        LINK,
        '',
        'It is yours alone and holds for thirty days; you need no account.',
      ].join('\n'),
    });
  }
  const code = await QRCode.toString(link, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' });
  return {
    seat: id,
    link,
    code,
    sent: house.sends && email !== null,
    expiresAt: linkUntil.toISOString(),
  };
}

/** Takes a seat away: its link ends. What was handed in from it stays. */
export async function takeSeatAway(
  db: Database,
  seatId: string,
  lead: Account,
): Promise<PanelList> {
  const panel = await db.transaction(async (trx) => {
    const seat = await repository.findSeat(trx, seatId, lead.id);
    if (!seat || seat.withdrawn) throw notFound('seat');
    await repository.withdrawSeat(trx, seatId);
    await revokeLinks(trx, 'panel-seat', seatId);
    const found = await requirePanel(trx, seat.panelId, lead);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'panel seat taken away',
      subject: found.examinationId,
      detail: { seat: seatId, name: seat.name },
    });
    return found;
  });
  return readPanels(db, panel.examinationId, lead);
}

async function requirePanel(db: Database, id: string, viewer: Account): Promise<StoredPanel> {
  const found = await repository.findPanel(db, id, viewer.id);
  if (!found) throw notFound('panel');
  return found;
}

interface Turn {
  readonly panel: StoredPanel;
  readonly last: Round | undefined;
  readonly seats: readonly Seat[];
  readonly missing: readonly Seat[];
}

/** Changes the rounds of a panel, one change at a time; the change is written down with its reason. */
async function turn(
  db: Database,
  panelId: string,
  lead: Account,
  change: (turn: Turn) => Pick<repository.RoundEvent, 'number' | 'what' | 'reason' | 'missing'>,
): Promise<{ examinationId: string; list: PanelList }> {
  const panel = await db.transaction(async (trx) => {
    await repository.lockPanel(trx, panelId);
    const found = await requirePanel(trx, panelId, lead);
    const last = (await repository.listRounds(trx, panelId)).at(-1);
    const seats = (await repository.listSeats(trx, panelId)).filter((seat) => !seat.withdrawn);
    const handed = new Set(
      (await repository.handIns(trx, panelId))
        .filter(({ number }) => number === last?.number)
        .map(({ seatId }) => seatId),
    );
    const missing = seats.filter(({ id }) => !handed.has(id));
    const event = change({ panel: found, last, seats, missing });
    await repository.setRound(trx, { id: newId(), panelId, madeBy: lead.id, ...event });
    const { number, what, reason } = event;
    await recordAction(trx, {
      accountId: lead.id,
      action: `panel round ${what}`,
      subject: found.examinationId,
      detail: { panel: panelId, number, missing: event.missing, ...(reason ? { reason } : {}) },
    });
    return found;
  });
  const { examinationId } = panel;
  return { examinationId, list: await readPanels(db, examinationId, lead) };
}

export function openRound(db: Database, panelId: string, lead: Account) {
  return turn(db, panelId, lead, ({ last, seats }) => {
    if (seats.length === 0) {
      throw conflict('Nobody sits on this panel', 'Give a judge a seat first.');
    }
    if (last?.open) {
      throw conflict(
        `Round ${last.number} is open`,
        'Close it first; then the next can be opened.',
      );
    }
    if ((last?.number ?? 0) >= MOST_ROUNDS) {
      throw conflict('There were nine rounds', 'What nine rounds did not settle a tenth does not.');
    }
    return { number: (last?.number ?? 0) + 1, what: 'opened', reason: null, missing: [] };
  });
}

export function closeRound(
  db: Database,
  panelId: string,
  { withoutMissing }: { withoutMissing: boolean },
  lead: Account,
) {
  return turn(db, panelId, lead, ({ last, missing, seats }) => {
    if (!last?.open) throw conflict('No round is open', 'There is nothing to close.');
    if (missing.length === seats.length) {
      throw conflict('Nobody has handed in', 'A round without a judge has no cut. Wait for one.');
    }
    if (missing.length > 0 && !withoutMissing) {
      throw conflict(
        `${missing.map(({ name }) => name).join(', ')} ${missing.length === 1 ? 'has' : 'have'} not handed in`,
        'Wait, or close the round without them; they are not in its cut.',
      );
    }
    const names = missing.map(({ name }) => name);
    return { number: last.number, what: 'closed', reason: null, missing: names };
  });
}

export function reopenRound(
  db: Database,
  panelId: string,
  { reason }: { reason: string },
  lead: Account,
) {
  return turn(db, panelId, lead, ({ last }) => {
    if (!last) throw conflict('There is no round yet', 'Open the first one.');
    if (last.open) throw conflict(`Round ${last.number} is open`, 'It need not be opened again.');
    return { number: last.number, what: 'reopened', reason, missing: [] };
  });
}
