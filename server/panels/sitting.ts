import { CELL_SUBJECTS, QUESTION_SUBJECTS } from '@kritikos/contracts/panels';
import type { Judged, Sitting, Standing } from '@kritikos/contracts/panels';
import { drawFigure } from '@kritikos/core/figure/draw';
import { figureSvg } from '@kritikos/core/figure/svg';
import { earnsWords } from '@kritikos/core/marking/earnsWords';
import { PHASES } from '@kritikos/core/marking/phases';
import { pointsOf } from '@kritikos/core/panels/panel';
import { panelRound } from '@kritikos/core/panels/panelRound';
import { requireLink } from '../accounts/links.ts';
import { knownProcedures } from '../catalogue/shelf.ts';
import { figuresOf } from '../catalogue/stationFigures.ts';
import { requirePerson } from '../accounts/people.ts';
import type { Database } from '../db/database.ts';
import { conflict, HttpProblem, invalid, notFound } from '../http/problems.ts';
import * as repository from './repository.ts';
import type { Seat, StoredPanel } from './repository.ts';
import { itemsAsked, subjectOf, subjectsOf } from './subjects.ts';

interface Sits {
  readonly seat: Seat;
  readonly panel: StoredPanel;
}

/** Who sits there by this secret; a link that holds no longer is refused with what can be done. */
async function requireSeat(db: Database, token: string): Promise<Sits> {
  const { subject } = await requireLink(db, ['panel-seat'], token, 'whoever leads the panel');
  const seat = await repository.ownSeat(db, subject);
  const panel = await repository.panelOfSeat(db, subject);
  if (!seat || !panel) throw notFound('seat');
  return { seat, panel };
}

export async function readStanding(db: Database, token: string): Promise<Standing> {
  return standingOf(db, await requireSeat(db, token));
}

async function standingOf(db: Database, { seat, panel }: Sits): Promise<Standing> {
  const now = (await repository.listRounds(db, panel.id)).at(-1) ?? null;
  const seats = (await repository.listSeats(db, panel.id)).filter(({ withdrawn }) => !withdrawn);
  const handed = (await repository.handIns(db, panel.id)).filter((h) => h.number === now?.number);
  return {
    round: now,
    progress: { handedIn: handed.length, seats: seats.length },
    handedIn: handed.some(({ seatId }) => seatId === seat.id),
  };
}

export async function readSitting(db: Database, token: string): Promise<Sitting> {
  return describe(db, await requireSeat(db, token));
}

async function describe(db: Database, { seat, panel }: Sits): Promise<Sitting> {
  const standing = await standingOf(db, { seat, panel });
  const now = standing.round;
  const rounds = await repository.listRounds(db, panel.id);
  const stations = await repository.panelStations(db, panel.id);
  const closed = rounds.filter(({ open }) => !open).at(-1);
  const words = now ? await repository.newestWords(db, panel.id, now.number) : [];
  const examination = await db('examination')
    .where({ id: panel.examinationId })
    .first('title', 'school');
  const known = await knownProcedures(db);
  const { title, method, level, asksHofstee, asksBeuk, madeBy } = panel;
  return {
    panel: {
      title,
      examination: examination?.title ?? '',
      school: examination?.school ?? '',
      method,
      level,
      asksHofstee,
      asksBeuk,
      lead: madeBy,
    },
    seat: { id: seat.id, name: seat.name },
    stations: stations.map((station) => {
      const items = itemsAsked(station.content);
      return {
        id: station.id,
        position: station.position,
        title: station.title,
        minutes: station.minutes,
        task: station.content.task,
        patient: station.content.simulatedPatient,
        stopRule: station.content.stopRule,
        figures: figuresOf(station.content, station.side, known).map((own, i) => ({
          title: own.title,
          svg: figureSvg(
            drawFigure(own.spec, { side: own.side, share: 1 }),
            `seat-${station.position}-${i}`,
          ),
        })),
        items: items.map((item) => ({
          subject: level === 'item' ? subjectOf(station.id, item.key) : null,
          text: item.text,
          phase: PHASES.find(({ domain }) => domain === item.domain)?.title ?? '',
          // That it is done goes without saying.
          earns: item.kind === 'done' ? '' : earnsWords(item),
          points: pointsOf(item),
          critical: item.criticality === 'fails-station',
        })),
        subject: level === 'station' ? station.id : null,
        points: Math.round(items.reduce((sum, { weight }) => sum + weight, 0)),
      };
    }),
    ...standing,
    words: words
      .filter(({ seatId }) => seatId === seat.id)
      .map(({ subject, share, placement }) => ({ subject, share, placement })),
    before: closed ? await roundBefore(db, { seat, panel }, stations, closed.number) : null,
  };
}

/** The round that was closed last, as every judge sees it: the spread, without names. */
async function roundBefore(
  db: Database,
  { seat, panel }: Sits,
  stations: readonly repository.PanelStation[],
  number: number,
): Promise<Sitting['before']> {
  const lead = await requirePerson(db, panel.madeById);
  const subjects = await subjectsOf(db, stations, panel.level, lead);
  const words = await repository.newestWords(db, panel.id, number);
  const handed = (await repository.handIns(db, panel.id)).filter((h) => h.number === number);
  const judgements = handed.map(({ seatId }) =>
    repository.asJudgements(words.filter((word) => word.seatId === seatId)),
  );
  const own = repository.asJudgements(words.filter((word) => word.seatId === seat.id));
  const result = panelRound(panel.method, subjects, judgements);
  const mine = panelRound(panel.method, subjects, [own]);
  const place = handed.findIndex(({ seatId }) => seatId === seat.id);
  return {
    number,
    cut: result.cut.estimate,
    standardError: result.cut.standardError ?? null,
    own: place >= 0 ? (result.judges[place]?.cut ?? null) : null,
    cuts: result.judges.flatMap(({ cut }) => cut ?? []).sort((a, b) => a - b),
    subjects: result.subjects.map(({ key, values, split }, i) => ({
      key,
      values: [...values],
      split,
      own: mine.subjects[i]?.values[0] ?? null,
      earned: panel.showsFacilities ? (subjects[i]?.earned ?? null) : null,
    })),
  };
}

/** Takes down what a judge says in the round that is open. Nothing of it is kept where one word cannot be. */
export async function takeWords(
  db: Database,
  { token, round, words }: Judged,
): Promise<{ standing: Standing; examinationId: string }> {
  const sits = await requireSeat(db, token);
  const { seat, panel } = sits;
  const stations = await repository.panelStations(db, panel.id);
  refuseUnknown(words, panel, stations);
  await db.transaction(async (trx) => {
    await requireOpen(trx, sits, round);
    const handed = await repository.handIns(trx, panel.id);
    if (handed.some((h) => h.seatId === seat.id && h.number === round)) {
      throw conflict(
        'You have handed in this round',
        'Take it back first; then you can change what you said.',
      );
    }
    const others = await repository.insertWords(trx, seat.id, round, words);
    if (others.size > 0) {
      throw invalid(
        words.flatMap(({ id }, i) =>
          others.has(id)
            ? [{ pointer: `/words/${i}/id`, detail: 'is the id of another word' }]
            : [],
        ),
      );
    }
    await refuseEndless(trx, sits, round, stations);
  });
  return { standing: await standingOf(db, sits), examinationId: panel.examinationId };
}

function refuseUnknown(
  words: Judged['words'],
  panel: StoredPanel,
  stations: readonly repository.PanelStation[],
): void {
  const subjects = new Set(
    stations.flatMap(({ id, content }) =>
      panel.level === 'item' ? itemsAsked(content).map((item) => subjectOf(id, item.key)) : [id],
    ),
  );
  const asked = new Set([
    ...QUESTION_SUBJECTS.filter((own) =>
      own === 'beukCut' || own === 'passRate' ? panel.asksBeuk : panel.asksHofstee,
    ),
    ...(panel.method === 'ebel' ? CELL_SUBJECTS : []),
  ]);
  const problems = words.flatMap(({ subject, share, placement }, i) => {
    const at = (detail: string) => [{ pointer: `/words/${i}`, detail }];
    if (!subjects.has(subject) && !asked.has(subject))
      return at('is about nothing that this panel judges');
    if (subjects.has(subject) && panel.method === 'ebel' && share !== null)
      return at('is placed in the grid; its share follows from there');
    if (placement !== null && (panel.method !== 'ebel' || !subjects.has(subject)))
      return at('is not placed in a grid here');
    if (
      panel.method === 'angoff-yes-no' &&
      subjects.has(subject) &&
      share !== null &&
      share % 1 !== 0
    )
      return at('is yes (1) or no (0)');
    return [];
  });
  if (problems.length > 0) throw invalid(problems);
}

/** Whoever changes their mind on everything twenty times has said enough; a stream has an end. */
const MOST_ON_EACH = 20;

async function refuseEndless(
  trx: Database,
  { seat }: Sits,
  round: number,
  stations: readonly repository.PanelStation[],
): Promise<void> {
  const things = stations.reduce((sum, { content }) => sum + 1 + content.items.length, 0);
  const most = MOST_ON_EACH * (things + CELL_SUBJECTS.length + QUESTION_SUBJECTS.length);
  if ((await repository.countWords(trx, seat.id, round)) <= most) return;
  throw new HttpProblem(
    429,
    'too-many-attempts',
    'More was said in this round than a panel can ask',
    `At most ${most} words are kept of a judge in a round. What stands is what you said last; hand it in.`,
  );
}

async function requireOpen(trx: Database, { panel }: Sits, round: number): Promise<void> {
  // A round is not closed between this look and the word that is written.
  await repository.lockPanel(trx, panel.id);
  const now = (await repository.listRounds(trx, panel.id)).at(-1);
  if (now?.open && now.number === round) return;
  throw conflict(
    `Round ${round} is closed`,
    now?.open
      ? `Round ${now.number} is open; the page shows it now.`
      : 'What you had said before stands. Wait for the next round.',
  );
}

/** Hands in a round, or takes it back while it is open. */
export async function handIn(
  db: Database,
  { token, round, done }: { token: string; round: number; done: boolean },
): Promise<{ standing: Standing; examinationId: string }> {
  const sits = await requireSeat(db, token);
  const { seat, panel } = sits;
  await db.transaction(async (trx) => {
    await requireOpen(trx, sits, round);
    const words = await repository.newestWords(trx, panel.id, round);
    if (done && !words.some(({ seatId }) => seatId === seat.id)) {
      throw conflict('Nothing is judged yet', 'Judge at least one thing before you hand in.');
    }
    await repository.setHandIn(trx, seat.id, round, done);
  });
  return { standing: await standingOf(db, sits), examinationId: panel.examinationId };
}
