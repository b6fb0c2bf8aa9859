import { readAlong } from '@kritikos/core/checklists/readAlong';
import type { ReadingRule } from '@kritikos/core/checklists/finding';
import { RANGES } from '@kritikos/core/figure/pose';
import type { JointAngle } from '@kritikos/core/figure/pose';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { Procedure } from './procedure.ts';
import { liftChecklist } from './stationChecklist.ts';

/** What keeps a procedure from being used, where it stands, and the nearest thing that would do. */
export interface Unsound {
  /** As in the file: `/checklist/items/3/lower`. */
  readonly path: string;
  readonly reason: string;
  readonly nearest: string | null;
}

/** The angles of a drawing: the pose, and the one that decides. */
interface DrawnAngles {
  readonly decides?: Pick<NonNullable<FigureSpec['decides']>, 'angle' | 'band'> | undefined;
  readonly pose: object;
}

/** As much of a procedure as is looked at, in the catalogue or in a file. */
export interface WrittenProcedure extends Pick<
  Procedure,
  'id' | 'title' | 'sides' | 'followUp' | 'checklist'
> {
  readonly figure: DrawnAngles | null;
  readonly schools: readonly {
    readonly key: string;
    readonly label: string;
    readonly figure?: DrawnAngles | undefined;
  }[];
}

const FEWEST_ITEMS = 8;
const MOST_ITEMS = 14;
/** What the reading along finds and no examiner could agree on. */
const NOT_AGREEABLE: ReadonlySet<ReadingRule> = new Set([
  'two-acts',
  'vague',
  'no-anchors',
  'no-key',
  'no-reason',
  'no-comparison',
  'no-stop-rule',
]);

/**
 * Names of angles in the words of items, and how far a joint goes: normal ranges of motion, as
 * printed by the American Academy of Orthopaedic Surgeons (Joint Motion: Method of Measuring and
 * Recording, 1965; from memory), a little widened for what lax joints do beyond them.
 */
export const NAMED_RANGES: Readonly<Record<string, readonly [number, number]>> = {
  'Knee flexion': [-10, 150],
  'Hip flexion': [0, 120],
  'Arm abduction': [0, 180],
  'outward rotation': [0, 90],
  'Ankle plantarflexion': [-20, 50],
};

/**
 * What is unsound in a procedure, whoever wrote it: those of the catalogue and those of a school's
 * own are held to the same. `known` are the procedures that it may lead on to.
 */
export function unsoundIn(procedure: WrittenProcedure, known: ReadonlySet<string>): Unsound[] {
  return [
    ...wronglyLong(procedure),
    ...notAgreeable(procedure),
    ...bandsBeyond(procedure),
    ...drawnBeyond(procedure.figure, '/figure'),
    ...procedure.schools.flatMap((school, i) =>
      drawnBeyond(school.figure ?? null, `/schools/${i}/figure`),
    ),
    ...leadsNowhere(procedure, known),
  ];
}

/** In every school the list fits one screen and says enough. */
function wronglyLong({ checklist, schools }: WrittenProcedure): Unsound[] {
  return schools.flatMap(({ key, label }): Unsound[] => {
    const asked = checklist.items.filter((item) => belongsToVariant(item, { own: key })).length;
    if (asked >= FEWEST_ITEMS && asked <= MOST_ITEMS) return [];
    return [
      {
        path: '/checklist/items',
        reason: `asks for ${asked} items as ${label} does it; ${FEWEST_ITEMS} to ${MOST_ITEMS} fit a screen and a station`,
        nearest: `${asked < FEWEST_ITEMS ? FEWEST_ITEMS : MOST_ITEMS} items`,
      },
    ];
  });
}

function notAgreeable(procedure: WrittenProcedure): Unsound[] {
  const content = liftChecklist(procedure);
  const found = readAlong(content, { twoSided: procedure.sides !== 'none' });
  return found
    .filter(({ rule }) => NOT_AGREEABLE.has(rule))
    .map(({ item, part, words, mend }) => {
      const place = content.items.findIndex(({ key }) => key === item);
      const where = place < 0 ? '/checklist' : `/checklist/items/${place}`;
      const at = part === 'stop-rule' ? '/stopRule' : part === 'items' ? '/items' : `/${part}`;
      const nearest =
        mend.do === 'say' ? mend.text : mend.do === 'split' ? mend.into.join('; ') : null;
      return { path: `${where}${at}`, reason: words, nearest };
    });
}

/** Angles that items ask for lie where the joint can go. */
function bandsBeyond({ checklist }: WrittenProcedure): Unsound[] {
  return checklist.items.flatMap((item, i): Unsound[] => {
    if (item.kind !== 'measured' || item.unit !== '°') return [];
    const [joint, range] =
      Object.entries(NAMED_RANGES).find(([named]) => item.text.includes(named)) ?? [];
    if (!joint || !range) return [];
    return beyond([item.lower, item.upper], range, joint, [
      `/checklist/items/${i}/lower`,
      `/checklist/items/${i}/upper`,
    ]);
  });
}

/** The angle that decides, and the whole pose, are those of a body. */
function drawnBeyond(figure: DrawnAngles | null, path: string): Unsound[] {
  if (!figure) return [];
  const { decides, pose } = figure;
  const ofBand = decides
    ? beyond(decides.band, RANGES[decides.angle], decides.angle, [
        `${path}/decides/band/0`,
        `${path}/decides/band/1`,
      ])
    : [];
  const ofPose = Object.entries(pose).flatMap(([limb, angles]) =>
    Object.entries(angles as Readonly<Record<string, number>>).flatMap(([angle, value]) => {
      const range = RANGES[angle as JointAngle] as readonly [number, number] | undefined;
      const at = `${path}/pose/${limb}/${angle}`;
      return range ? beyond([value, value], range, angle, [at, at]).slice(0, 1) : [];
    }),
  );
  return [...ofBand, ...ofPose];
}

/** The ends of a band that leave a range, each with the nearest that does not. */
function beyond(
  [lower, upper]: readonly [number, number],
  [least, most]: readonly [number, number],
  joint: string,
  [lowerPath, upperPath]: readonly [string, string],
): Unsound[] {
  const off = (value: number, path: string): Unsound[] => {
    if (value >= least && value <= most) return [];
    return [
      {
        path,
        reason: `is ${value}°, and ${joint} goes from ${least}° to ${most}°`,
        nearest: `${Math.min(most, Math.max(least, value))}°`,
      },
    ];
  };
  return [...off(lower, lowerPath), ...off(upper, upperPath)];
}

function leadsNowhere({ followUp }: WrittenProcedure, known: ReadonlySet<string>): Unsound[] {
  return followUp.flatMap((next, i): Unsound[] =>
    known.has(next)
      ? []
      : [{ path: `/followUp/${i}`, reason: `names ${next}, which nobody knows`, nearest: null }],
  );
}
