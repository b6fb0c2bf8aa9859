import type { Station } from '@kritikos/contracts/examinations';
import type { EventBody, MarkEvent } from '@kritikos/contracts/marking';
import type { Chance } from '@kritikos/core/numerics/random';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { newId } from '../http/newId.ts';
import type { FilledSheet } from './fillSheets.ts';
import type { Imperfections } from './imperfections.ts';
import { grade, perform, watch } from './performance.ts';
import type { Eye, Performance } from './performance.ts';
import type { EmptySheet } from './repository.ts';

/** Who sits an examination, and how far it has come. */
export interface Cohort {
  readonly candidates: number;
  /** Their mean, in standard deviations. */
  readonly ability: number;
  /** Stations whose items are met more often than they used to be, by so many logits. */
  readonly easier: readonly { readonly position: number; readonly by: number }[];
  /** The numbers of candidates who have not come. */
  readonly absent: readonly number[];
  /** The round (0 to 7) that the last few candidates are in; `null` where all are done. */
  readonly round: number | null;
  readonly imperfections: Imperfections;
}

const ROUNDS = 8;
/** One rotation of ten minutes a round, and a break between two waves of eight. */
const ROUND_MINUTES = 10;
const WAVE_MINUTES = 100;
const WAVES_A_DAY = 5;
const OTHER_VARIANT = 0.12;

/** What every candidate really does at a station, in the order of their numbers. */
export function playStation(
  { position }: Pick<Station, 'position'>,
  content: ChecklistContent,
  abilities: readonly number[],
  cohort: Pick<Cohort, 'easier' | 'imperfections'>,
  chance: Chance,
): Performance[] {
  const easier = cohort.easier.find((one) => one.position === position)?.by ?? 0;
  return abilities.map((ability) => {
    const variants = { ...usualVariants(content) };
    for (const { procedure, variants: all, usualVariant } of content.procedures) {
      const other = all.find((v) => v.key !== usualVariant);
      if (chance.uniform() < OTHER_VARIANT && other) variants[procedure] = other.key;
    }
    const { easyItem } = cohort.imperfections;
    return perform(content, ability, variants, chance, { easier, easyItem });
  });
}

export interface Around {
  readonly station: Station;
  readonly content: ChecklistContent;
  readonly cohort: Cohort;
  readonly day: string;
}

/** The sheet of an examiner who watched this performance; none where the candidate was not there. */
export function filledSheet(
  { id, candidateNumber, examinerId, examiner }: EmptySheet,
  seen: Performance,
  { station, content, cohort, day }: Around,
  chance: Chance,
): FilledSheet[] {
  const { position, minutes, checklistVersionId } = station;
  const eye = eyeOf(examiner, position, cohort.imperfections);
  const { ambiguousItem, underWay } = cohort.imperfections;
  const ambiguous = position === ambiguousItem?.position ? [ambiguousItem.item] : [];
  const marks = watch(content, seen, eye, ambiguous, chance);
  const usual = usualVariants(content);
  const variants = Object.entries(seen.variants).flatMap(([procedure, variant]): EventBody[] =>
    variant === usual[procedure] ? [] : [{ type: 'variant', procedure, variant }],
  );
  const rating = grade(seen, eye, chance);
  if (cohort.absent.includes(candidateNumber)) return [];
  const round = (candidateNumber + position) % ROUNDS;
  const inRounds = cohort.round !== null && candidateNumber > cohort.candidates - underWay;
  if (inRounds && round > (cohort.round ?? 0)) return [];
  const start: EventBody = { type: 'clock', running: true, remaining: minutes * 60 };
  const begun = [start, ...variants, ...disturb(marks, position, candidateNumber, cohort, minutes)];
  const bodies =
    inRounds && round === cohort.round
      ? [...begun.slice(0, Math.ceil(begun.length / 2)), halfTime(minutes)]
      : [...begun, ...finish(rating)];
  const at = beginOf(day, candidateNumber, position, cohort.candidates);
  const events = stamped(bodies, at, minutes, checklistVersionId);
  return [{ sheet: id, account: examinerId, events }];
}

function finish(rating: number): EventBody[] {
  const hesitant: EventBody = {
    type: 'comment',
    text: 'Hesitant; order lost, side comparison weak.',
  };
  return [
    ...(rating <= 2 ? [hesitant] : []),
    { type: 'rating', grade: rating },
    { type: 'submit' },
  ];
}

/** The simulated patient asked for a moment. */
function halfTime(minutes: number): EventBody {
  return { type: 'clock', running: false, remaining: minutes * 30 };
}

function eyeOf(
  name: string,
  position: number,
  { hardExaminer, otherSchool, easyItem }: Imperfections,
): Eye {
  return {
    harshness: name === hardExaminer ? 0.6 : 0.03,
    otherSchool:
      name === otherSchool?.examiner && position === otherSchool.position ? [otherSchool.item] : [],
    easyItem,
  };
}

/** Takes marks out of one sheet, and breaks one station off with a safety event; both this year. */
function disturb(
  bodies: EventBody[],
  position: number,
  candidate: number,
  { round, imperfections }: Cohort,
  minutes: number,
): EventBody[] {
  const { missingMarks, safetyEvent } = imperfections;
  const here = (place: Imperfections['missingMarks']) =>
    round !== null && position === place?.position && candidate === place.candidate;
  if (here(missingMarks)) {
    const last = bodies.filter((b) => b.type === 'mark').slice(-3);
    return bodies.filter((b) => !last.some((own) => own === b));
  }
  if (!here(safetyEvent)) return bodies;
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
      remaining: minutes * 20,
    },
    ...after,
  ];
}

/** When a candidate begins at a station: waves of eight, each candidate one station ahead of the next. */
function beginOf(day: string, candidate: number, position: number, candidates: number): number {
  const half = Math.ceil(candidates / 2);
  const place = candidate > half ? candidate - half - 1 : candidate - 1;
  const wave = Math.floor(place / ROUNDS) % WAVES_A_DAY;
  const round = (candidate + position) % ROUNDS;
  return Date.parse(`${day}T09:00:00Z`) + (wave * WAVE_MINUTES + round * ROUND_MINUTES) * 60_000;
}

function stamped(
  bodies: readonly EventBody[],
  begin: number,
  minutes: number,
  checklistVersionId: string,
): MarkEvent[] {
  return bodies.map((body, sequence) => ({
    id: newId(),
    device: 'demo',
    sequence,
    at: new Date(begin + Math.round((sequence / bodies.length) * minutes * 60_000)).toISOString(),
    clockAhead: 0,
    checklistVersionId,
    body,
  }));
}
