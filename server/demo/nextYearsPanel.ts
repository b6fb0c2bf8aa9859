import type { Account } from '@kritikos/contracts/accounts';
import { seededChance } from '@kritikos/core/numerics/random';
import type { Chance } from '@kritikos/core/numerics/random';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { newId } from '../http/newId.ts';
import * as panels from '../panels/service.ts';
import { handIn, takeWords } from '../panels/sitting.ts';

const JUDGES = [
  { name: 'Maud Tresillian', hawk: 0.04 },
  { name: 'Ossian Varga', hawk: -0.03 },
  { name: 'Perpetua Lindgren', hawk: 0 },
  { name: 'Quentin Abara', hawk: 0.17 },
  { name: 'Rosalind Teague', hawk: -0.05 },
] as const;
const SEED = 20_270_301;

/** Nobody is written to, and the links are followed here. */
const NOWHERE = { door: '', secretKey: '', sends: false };

/**
 * The panel that sets next year's provisional standard, as it stands in the middle of its work: the
 * first round is closed with a judge missing and one who stands apart, the second is open.
 */
export async function seatNextYearsPanel(
  db: Database,
  examinationId: string,
  lead: Account,
): Promise<void> {
  await requireExamination(db, examinationId, lead);
  const stations = await listStations(db, examinationId, lead.id);
  const { panels: made } = await panels.makePanel(
    db,
    examinationId,
    {
      title: 'Panel of the spring',
      method: 'angoff-percent',
      level: 'item',
      stations: stations.map(({ id }) => id),
      asksHofstee: true,
      asksBeuk: true,
      showsFacilities: true,
    },
    lead,
  );
  const panel = made[0];
  if (!panel) throw new Error('The demo has no panel.');
  const seats: { token: string; hawk: number }[] = [];
  for (const { name, hawk } of JUDGES) {
    const { link } = await panels.giveSeat(db, panel.id, { name, email: null }, NOWHERE, lead);
    seats.push({ token: link.split('#')[1] ?? '', hawk });
  }
  // As the demo around it: see THE_DEMOS_CHANCE.
  const chance = seededChance(SEED, 1);
  await panels.openRound(db, panel.id, lead);
  const present = seats.slice(0, 4);
  for (const seat of present) await judge(db, panel.subjects, seat, 1, chance);
  await panels.closeRound(db, panel.id, { withoutMissing: true }, lead);
  await panels.openRound(db, panel.id, lead);
  // In the second round the judge who stood apart comes nearer, and two are still at it.
  for (const { token, hawk } of [seats[1], seats[3]].flatMap((seat) => seat ?? []))
    await judge(db, panel.subjects, { token, hawk: hawk / 3 }, 2, chance);
}

async function judge(
  db: Database,
  subjects: readonly { readonly key: string; readonly earned: number | null }[],
  { token, hawk }: { readonly token: string; readonly hawk: number },
  round: number,
  chance: Chance,
): Promise<void> {
  const step = (share: number) => Math.min(1, Math.max(0.05, Math.round(share * 20) / 20));
  const words = subjects.map(({ key, earned }, place) => {
    // On every ninth item the judges are of two minds in the first round.
    const mind = round === 1 && place % 9 === 4 ? (chance.uniform() < 0.5 ? -0.35 : 0.3) : 0;
    const share = (earned ?? 0.75) - 0.14 + hawk + mind + 0.14 * (chance.uniform() - 0.5);
    return { id: newId(), subject: key, share: step(share), placement: null };
  });
  const whole = [
    ['lowestCut', 0.5 + hawk],
    ['highestCut', 0.7 + hawk],
    ['fewestFails', 0.02],
    ['mostFails', 0.25],
    ['beukCut', 0.6 + hawk + 0.04 * chance.uniform()],
    ['passRate', 0.85 - hawk / 2 + 0.05 * chance.uniform()],
  ] as const;
  words.push(
    ...whole.map(([subject, share]) => ({
      id: newId(),
      subject,
      share: Math.round(share * 100) / 100,
      placement: null,
    })),
  );
  for (let i = 0; i < words.length; i += 50)
    await takeWords(db, { token, round, words: words.slice(i, i + 50) });
  await handIn(db, { token, round, done: true });
}
