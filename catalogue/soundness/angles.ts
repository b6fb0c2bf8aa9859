import { RANGES } from '@kritikos/core/figure/pose';
import type { JointAngle } from '@kritikos/core/figure/pose';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import type { Procedure } from '../procedure.ts';
import type { Unsound } from './unsound.ts';

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

/** Angles that items ask for lie where the joint can go. */
export function askedBeyond({ checklist }: Procedure): Unsound[] {
  return checklist.items.flatMap((item, i): Unsound[] => {
    if (item.kind !== 'measured' || item.unit !== '°') return [];
    const named = Object.entries(NAMED_RANGES).find(([name]) => item.text.includes(name));
    if (!named) return [];
    const [joint, range] = named;
    return [
      ...beyond(item.lower, range, joint, `/checklist/items/${i}/lower`),
      ...beyond(item.upper, range, joint, `/checklist/items/${i}/upper`),
    ];
  });
}

/** Every drawing is of a body: its poses and bands are within the joints' ranges. */
export function drawnBeyond({ figure, schools }: Procedure): Unsound[] {
  return [
    ...(figure ? figureBeyond(figure, '/figure') : []),
    ...schools.flatMap((school, i) =>
      school.figure ? figureBeyond(school.figure, `/schools/${i}/figure`) : [],
    ),
  ];
}

function figureBeyond({ decides, pose, from = {} }: FigureSpec, path: string): Unsound[] {
  const poses = [...poseBeyond(pose, `${path}/pose`), ...poseBeyond(from, `${path}/from`)];
  if (!decides) return poses;
  const { angle, band } = decides;
  const ends = band.flatMap((end, i) =>
    beyond(end, RANGES[angle], angle, `${path}/decides/band/${i}`),
  );
  return [...ends, ...poses, ...besideBand(pose, decides, path)];
}

function poseBeyond(pose: FigureSpec['pose'], path: string): Unsound[] {
  return Object.entries(pose).flatMap(([limb, angles]) =>
    Object.entries(angles as Readonly<Record<JointAngle, number>>).flatMap(([angle, value]) =>
      beyond(value, RANGES[angle as JointAngle], angle, `${path}/${limb}/${angle}`),
    ),
  );
}

/** The angle that decides is drawn as the band says it should be. */
function besideBand(
  pose: FigureSpec['pose'],
  { angle, band: [low, high] }: NonNullable<FigureSpec['decides']>,
  path: string,
): Unsound[] {
  const tested = (['leg', 'arm', 'axial'] as const).find((limb) => angle in (pose[limb] ?? {}));
  const drawn = tested ? (pose[tested] as Readonly<Record<string, number>>)[angle] : 0;
  if (drawn === undefined || (drawn >= low && drawn <= high)) return [];
  const nearest = drawn < low ? low : high;
  return [
    {
      path: tested ? `${path}/pose/${tested}/${angle}` : `${path}/pose`,
      reason: `draws ${angle} at ${drawn}°, and the band that decides goes from ${low}° to ${high}°`,
      nearest: `${nearest}°`,
      instead: tested ? nearest : null,
    },
  ];
}

function beyond(
  value: number,
  [least, most]: readonly [number, number],
  joint: string,
  path: string,
): Unsound[] {
  if (value >= least && value <= most) return [];
  const nearest = Math.min(most, Math.max(least, value));
  return [
    {
      path,
      reason: `is ${value}°, and ${joint} goes from ${least}° to ${most}°`,
      nearest: `${nearest}°`,
      instead: nearest,
    },
  ];
}
