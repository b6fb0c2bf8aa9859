import type { Account } from '@kritikos/contracts/accounts';
import { planDay } from '@kritikos/core/timetable/planDay';
import { simulatedSeverity, USUAL_SPREADS } from '@kritikos/core/timetable/precision';
import type { Database } from '../db/database.ts';
import { importCandidates } from '../examinations/candidates.ts';
import { requireExamination } from '../examinations/service.ts';
import { questionOf } from '../timetable/question.ts';
import { takeFile } from '../timetable/resourceFiles.ts';
import { placeAll } from '../timetable/places.ts';
import * as resources from '../timetable/resources.ts';
import { keepWish } from '../timetable/service.ts';
import { keepPlan } from '../timetable/work.ts';
import { studentName } from './people.ts';

const CANDIDATES = 36;
const DAY = '2027-05-21';
const ROOMS = [
  ['Gymnasium', 6],
  ['Skills room, ground floor', 4],
  ['Skills room, first floor', 4],
  ['Seminar room 2.14', 2],
] as const;
/** What they must not undergo, and how often the same joint is stressed before they rest. */
const PATIENTS = [
  { name: 'Rhoda Pennick', barred: ['lachman-anterior-translation'], mostInARow: 2 },
  { name: 'Caspian Oduya', barred: [], mostInARow: 2 },
  { name: 'Ilse Brannoch', barred: ['faber'], mostInARow: 3 },
  { name: 'Tobiah Merriweather', barred: [], mostInARow: null },
  { name: 'Sunniva Kettleby', barred: [], mostInARow: 2 },
  { name: 'Joaquim Thackray', barred: ['ankle-anterior-drawer'], mostInARow: 2 },
  { name: 'Winnifred Asante', barred: [], mostInARow: 3 },
  { name: 'Emrys Valdemar', barred: [], mostInARow: 2 },
  { name: 'Odalys Greenhalgh', barred: [], mostInARow: 2 },
  { name: 'Fergal Ihejirika', barred: [], mostInARow: 2 },
  { name: 'Petronella Quayle', barred: [], mostInARow: 2 },
  { name: 'Anders Bellweather', barred: [], mostInARow: 2 },
] as const;

/**
 * Next year's day as it stands half a year before it: candidates, two of them with extra time; who
 * may be used, with a few regions, an examiner for the morning only and two conflicts; and a first
 * draft of a plan.
 */
export async function planNextYear(
  db: Database,
  examinationId: string,
  lead: Account,
): Promise<void> {
  const rows = Array.from(
    { length: CANDIDATES },
    (_, i) => `${i + 1},${studentName(200 + i)},27${String(i + 1).padStart(3, '0')}`,
  );
  await importCandidates(db, examinationId, ['number,name,student', ...rows].join('\n'), lead);
  await db('student').whereIn('number', ['27007', '27030']).update({ extra_time: 25 });
  const wish = {
    sessions: [
      { date: DAY, from: '08:30', until: '11:15' },
      { date: DAY, from: '12:00', until: '15:30' },
    ],
    circuits: 2,
    readingMinutes: 2,
    changeMinutes: 1,
    rests: 1,
    breaks: { afterRounds: 7, minutes: 15 },
    quarantineMinutes: 15,
    pairs: 36,
    seed: 7,
  };
  await keepWish(db, examinationId, wish, lead);
  await bringResources(db, examinationId, lead);
  const examination = await requireExamination(db, examinationId, lead);
  const { problem, known, limits } = await questionOf(db, examination, wish, lead);
  const plan = await planDay(problem, { seed: wish.seed, nodes: 2_000, seconds: 60 });
  const precision = simulatedSeverity(plan.slots, USUAL_SPREADS, 10, wish.seed);
  await keepPlan(db, { examinationId, wish, known, limits, plan, precision }, lead);
}

async function bringResources(db: Database, examinationId: string, lead: Account): Promise<void> {
  const file = (of: 'rooms' | 'patients' | 'examiners', lines: readonly string[]) =>
    takeFile(db, examinationId, of, lines.join('\n'), lead).then(({ errors }) => {
      if (errors.length > 0) throw new Error(`The demo's ${of}: ${JSON.stringify(errors)}`);
    });
  await file('rooms', ['room;couches', ...ROOMS.map((room) => room.join(';'))]);
  await file('patients', [
    'name;must not undergo;most in a row',
    ...PATIENTS.map(
      ({ name, barred, mostInARow }) => `${name};${barred.join('|')};${mostInARow ?? ''}`,
    ),
  ]);
  const examiner = (n: number) => `examiner${n}@orrinmouth.example`;
  const others = [1, 2, 3, 4, 6, 8, 9, 10, 11, 12, 14].map((n) => `${examiner(n)};all;;;`);
  await file('examiners', [
    'email;regions;from;until;conflicts',
    ...others,
    `${examiner(5)};knee|ankle;;;`,
    `${examiner(7)};all;;;9: sister`,
    `${examiner(13)};all;${DAY} 08:00;${DAY} 12:45;`,
    `${examiner(15)};shoulder|hip;;;22: supervisor of the thesis`,
  ]);
  await placeAll(db, examinationId, lead);
  const { equipment } = await resources.readResources(db, examinationId, lead);
  await resources.keepEquipment(
    db,
    examinationId,
    {
      equipment: equipment.map(({ what, needed }) => ({
        what,
        pieces: what === 'couch' ? 16 : Math.max(needed, 12),
      })),
    },
    lead,
  );
}
