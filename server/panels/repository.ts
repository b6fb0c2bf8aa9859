import type { Said } from '@kritikos/contracts/panels';
import type { CompromiseAnswers } from '@kritikos/core/panels/panel';
import { BEUK_QUESTIONS, HOFSTEE_QUESTIONS } from '@kritikos/core/panels/panel';
import { cellKey } from '@kritikos/core/panels/panel';
import { EBEL_CELLS } from '@kritikos/core/panels/panel';
import type { PanelLevel, PanelMethod, Placement } from '@kritikos/core/panels/panel';
import type { Judgements } from '@kritikos/core/panels/panelRound';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

export interface StoredPanel {
  readonly id: string;
  readonly examinationId: string;
  readonly title: string;
  readonly method: PanelMethod;
  readonly level: PanelLevel;
  readonly asksHofstee: boolean;
  readonly asksBeuk: boolean;
  readonly showsFacilities: boolean;
  readonly madeById: string;
  readonly madeBy: string;
  readonly madeAt: Date;
}

const PANEL = `select p.id, p.examination_id as "examinationId", p.title, p.method, p.level,
    p.asks_hofstee as "asksHofstee", p.asks_beuk as "asksBeuk",
    p.shows_facilities as "showsFacilities", p.made_by as "madeById", a.name as "madeBy",
    p.made_at as "madeAt"
  from panel p join account a on a.id = p.made_by`;

export async function listPanels(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<StoredPanel[]> {
  const { rows } = await db.raw(
    `${PANEL} where p.examination_id = :examinationId and ${readBy('p.examination_id')}
     order by p.made_at, p.id`,
    { examinationId, viewer },
  );
  return rows;
}

export async function findPanel(
  db: Database,
  id: string,
  viewer: string,
): Promise<StoredPanel | undefined> {
  const { rows } = await db.raw(`${PANEL} where p.id = :id and ${readBy('p.examination_id')}`, {
    id,
    viewer,
  });
  return rows[0];
}

/** The panel of a seat, for whoever sits there. */
export async function panelOfSeat(db: Database, seatId: string): Promise<StoredPanel | undefined> {
  const { rows } = await db.raw(
    `${PANEL} join panel_seat t on t.panel_id = p.id
     where t.id = ? and t.withdrawn_at is null`,
    [seatId],
  );
  return rows[0];
}

/** Holds a panel while this transaction changes its rounds or takes down what is said in them. */
export async function lockPanel(trx: Database, id: string): Promise<void> {
  await trx('panel').where({ id }).forUpdate().first('id');
}

export async function insertPanel(
  trx: Database,
  panel: Omit<StoredPanel, 'madeBy' | 'madeAt'>,
): Promise<void> {
  await trx('panel').insert({
    id: panel.id,
    examination_id: panel.examinationId,
    title: panel.title,
    method: panel.method,
    level: panel.level,
    asks_hofstee: panel.asksHofstee,
    asks_beuk: panel.asksBeuk,
    shows_facilities: panel.showsFacilities,
    made_by: panel.madeById,
  });
}

/** The stations as they stand now; answers with how many of those asked for there are. */
export async function insertStations(
  trx: Database,
  panelId: string,
  examinationId: string,
  stations: readonly string[],
): Promise<number> {
  const { rowCount } = await trx.raw(
    `insert into panel_station (panel_id, station_id, checklist_version_id, position)
     select :panelId, id, checklist_version_id, position from station
     where examination_id = :examinationId and id = any (:stations)`,
    { panelId, examinationId, stations: [...stations] },
  );
  return rowCount;
}

export interface PanelStation {
  readonly id: string;
  readonly position: number;
  readonly title: string;
  readonly minutes: number;
  readonly side: 'left' | 'right';
  readonly checklistVersionId: string;
  readonly content: ChecklistContent;
}

export async function panelStations(db: Database, panelId: string): Promise<PanelStation[]> {
  const { rows } = await db.raw(
    `select s.id, s.position, s.title, s.minutes, coalesce(b.side, 'right') as side,
       v.id as "checklistVersionId", v.content
     from panel_station p join station s on s.id = p.station_id
       join checklist_version v on v.id = p.checklist_version_id
       join bank_station_version b on b.id = s.bank_version_id
     where p.panel_id = ? order by s.position`,
    [panelId],
  );
  return rows;
}

export interface Seat {
  readonly id: string;
  readonly panelId: string;
  readonly name: string;
  readonly email: string | null;
  readonly withdrawn: boolean;
  readonly linkUntil: Date | null;
}

const SEAT = `select t.id, t.panel_id as "panelId", t.name, t.email, t.withdrawn_at is not null as withdrawn,
    (select max(l.expires_at) from link l where l.purpose = 'panel-seat' and l.subject = t.id
       and l.revoked_at is null and l.expires_at > now()) as "linkUntil"
  from panel_seat t`;

export async function listSeats(db: Database, panelId: string): Promise<Seat[]> {
  const { rows } = await db.raw(`${SEAT} where t.panel_id = ? order by t.made_at, t.id`, [panelId]);
  return rows;
}

export async function findSeat(
  db: Database,
  id: string,
  viewer: string,
): Promise<Seat | undefined> {
  const { rows } = await db.raw(
    `${SEAT} join panel p on p.id = t.panel_id
     where t.id = :id and ${readBy('p.examination_id')}`,
    { id, viewer },
  );
  return rows[0];
}

/** A seat that is taken, for whoever sits there by its link. */
export async function ownSeat(db: Database, id: string): Promise<Seat | undefined> {
  const { rows } = await db.raw(`${SEAT} where t.id = ? and t.withdrawn_at is null`, [id]);
  return rows[0];
}

export async function insertSeat(
  trx: Database,
  seat: { id: string; panelId: string; name: string; email: string | null },
): Promise<boolean> {
  const { id, panelId, name, email } = seat;
  const made = await trx('panel_seat')
    .insert({ id, panel_id: panelId, name, email })
    .onConflict(['panel_id', 'name'])
    .ignore()
    .returning('id');
  return made.length === 1;
}

export async function withdrawSeat(trx: Database, id: string): Promise<void> {
  await trx('panel_seat').where({ id }).update({ withdrawn_at: trx.fn.now() });
}

export interface Round {
  readonly number: number;
  readonly open: boolean;
}

export async function listRounds(db: Database, panelId: string): Promise<Round[]> {
  return db('panel_round').where({ panel_id: panelId }).orderBy('number').select('number', 'open');
}

export interface RoundEvent {
  readonly id: string;
  readonly panelId: string;
  readonly number: number;
  readonly what: 'opened' | 'closed' | 'reopened';
  readonly reason: string | null;
  readonly missing: readonly string[];
  readonly madeBy: string;
}

/** Opens or closes a round, and writes down what became of it. */
export async function setRound(trx: Database, event: RoundEvent): Promise<void> {
  await trx('panel_round')
    .insert({ panel_id: event.panelId, number: event.number, open: event.what !== 'closed' })
    .onConflict(['panel_id', 'number'])
    .merge(['open']);
  await trx('panel_round_event').insert({
    id: event.id,
    panel_id: event.panelId,
    number: event.number,
    what: event.what,
    reason: event.reason,
    missing: [...event.missing],
    made_by: event.madeBy,
  });
}

export async function listEvents(db: Database, panelId: string) {
  const { rows } = await db.raw(
    `select e.number, e.what, e.reason, e.missing, a.name as by, e.made_at as at
     from panel_round_event e join account a on a.id = e.made_by
     where e.panel_id = ? order by e.made_at, e.id`,
    [panelId],
  );
  return rows.map(({ at, ...event }: { at: Date }) => ({ ...event, at: at.toISOString() }));
}

/**
 * Writes down what a judge says; a word that is there already is left as it is. Answers with the ids
 * that are other words: of another seat, another round, or another saying.
 */
export async function insertWords(
  trx: Database,
  seatId: string,
  number: number,
  words: readonly Said[],
): Promise<ReadonlySet<string>> {
  await trx('panel_judgement')
    .insert(
      words.map(({ id, subject, share, placement }) => ({
        id,
        seat_id: seatId,
        number,
        subject,
        share,
        difficulty: placement?.difficulty ?? null,
        relevance: placement?.relevance ?? null,
      })),
    )
    .onConflict('id')
    .ignore();
  const kept = await trx('panel_judgement')
    .whereIn(
      'id',
      words.map(({ id }) => id),
    )
    .select('id', 'seat_id', 'number', 'subject', 'share', 'difficulty', 'relevance');
  const same = new Map(words.map((word) => [word.id, word]));
  return new Set(
    kept.flatMap((row) => {
      const word = same.get(row.id);
      const is =
        word !== undefined &&
        row.seat_id === seatId &&
        row.number === number &&
        row.subject === word.subject &&
        row.share === word.share &&
        row.difficulty === (word.placement?.difficulty ?? null) &&
        row.relevance === (word.placement?.relevance ?? null);
      return is ? [] : [row.id as string];
    }),
  );
}

/** How much a judge has said in a round, whatever became of it since. */
export async function countWords(db: Database, seatId: string, number: number): Promise<number> {
  const [row] = await db('panel_judgement').where({ seat_id: seatId, number }).count('* as n');
  return Number(row?.n ?? 0);
}

export interface Word {
  readonly seatId: string;
  readonly subject: string;
  readonly share: number | null;
  readonly placement: Placement | null;
}

/** The newest word on each thing up to a round: what was said in one holds in the next until it is changed. */
export async function newestWords(db: Database, panelId: string, number: number): Promise<Word[]> {
  const { rows } = await db.raw(
    `select distinct on (j.seat_id, j.subject) j.seat_id as "seatId", j.subject, j.share,
       case when j.difficulty is not null
         then jsonb_build_object('difficulty', j.difficulty, 'relevance', j.relevance) end as placement
     from panel_judgement j join panel_seat t on t.id = j.seat_id
     where t.panel_id = :panelId and j.number <= :number
     order by j.seat_id, j.subject, j.sequence desc`,
    { panelId, number },
  );
  return rows;
}

const CELLS = new Set(EBEL_CELLS.map(cellKey));
const QUESTIONS = new Set<string>([...HOFSTEE_QUESTIONS, ...BEUK_QUESTIONS]);

/** What one judge's words say: of subjects, of the cells of the grid, and to the questions beside. */
export function asJudgements(
  words: readonly Omit<Word, 'seatId'>[],
): Judgements & { readonly answers: CompromiseAnswers } {
  const of = (wanted: (word: Omit<Word, 'seatId'>) => boolean) =>
    Object.fromEntries(
      words.flatMap((word) =>
        word.share !== null && wanted(word) ? [[word.subject, word.share]] : [],
      ),
    );
  return {
    shares: of(({ subject }) => !CELLS.has(subject) && !QUESTIONS.has(subject)),
    cells: of(({ subject }) => CELLS.has(subject)),
    answers: of(({ subject }) => QUESTIONS.has(subject)),
    placements: Object.fromEntries(
      words.flatMap(({ subject, placement }) => (placement ? [[subject, placement]] : [])),
    ),
  };
}

export async function handIns(
  db: Database,
  panelId: string,
): Promise<{ seatId: string; number: number; at: Date }[]> {
  return db('panel_hand_in as h')
    .join('panel_seat as t', 't.id', 'h.seat_id')
    .where('t.panel_id', panelId)
    .select('h.seat_id as seatId', 'h.number', 'h.made_at as at');
}

export async function setHandIn(
  trx: Database,
  seatId: string,
  number: number,
  done: boolean,
): Promise<void> {
  if (done) {
    await trx('panel_hand_in').insert({ seat_id: seatId, number }).onConflict().ignore();
  } else {
    await trx('panel_hand_in').where({ seat_id: seatId, number }).delete();
  }
}
