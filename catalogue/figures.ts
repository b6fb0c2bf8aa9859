import type { JointAngle } from '@kritikos/core/figure/pose';
import type { SegmentName } from '@kritikos/core/figure/segments';
import type {
  FigureSpec,
  ForceSpec,
  HandRole,
  HandSpec,
  PoseSpec,
  PropSpec,
  Surface,
} from '@kritikos/core/figure/spec';
import type { Redrawing } from './procedure.ts';

type Place = readonly [segment: SegmentName, at: number, surface: Surface];

const hand =
  (role: HandRole) =>
  (...[segment, at, surface]: Place): HandSpec => ({ role, segment, at, surface });

export const holds = hand('holds');
export const moves = hand('moves');
export const feels = hand('feels');

/** A push or pull on a place, towards a side of the segment. */
export function push(
  segment: SegmentName,
  at: number,
  towards: Surface,
  surface: Surface = towards,
): ForceSpec {
  return { kind: 'straight', segment, at, surface, towards };
}

export function turn(segment: SegmentName, at: number, towards: 'inwards' | 'outwards'): ForceSpec {
  return { kind: 'turn', segment, at, surface: 'front', towards };
}

export function compress(segment: SegmentName): ForceSpec {
  return { kind: 'compress', segment, at: 0.5, surface: 'front' };
}

export function distract(segment: SegmentName): ForceSpec {
  return { kind: 'distract', segment, at: 0.5, surface: 'front' };
}

/** A measuring tape from landmark to landmark. */
export function tape(from: Place, to: Place): PropSpec {
  const place = ([segment, at, surface]: Place) => ({ segment, at, surface });
  return { kind: 'tape', from: place(from), to: place(to) };
}

/** The patient's own effort. */
export function own(force: ForceSpec): ForceSpec {
  return { ...force, byPatient: true };
}

/** The angle that decides, with its accepted band in degrees. */
export function decides(
  angle: JointAngle,
  low: number,
  high: number,
): NonNullable<FigureSpec['decides']> {
  return { angle, band: [low, high] };
}

interface Rest extends Partial<
  Pick<FigureSpec, 'from' | 'decides' | 'hands' | 'forces' | 'props' | 'view' | 'closeUp'>
> {
  readonly region: readonly SegmentName[];
}

export function figure(position: FigureSpec['position'], pose: PoseSpec, rest: Rest): FigureSpec {
  return { position, pose, hands: [], forces: [], ...rest };
}

export const KNEE_REGION = ['thigh', 'shank'] as const;

/** A leg lifted so that the heel rests although the knee is bent. */
export function kneeBent(knee: number): { hipFlexion: number; kneeFlexion: number } {
  return { hipFlexion: Math.round(knee * 0.55), kneeFlexion: knee };
}

const PARTS = ['leg', 'otherLeg', 'arm', 'otherArm', 'axial'] as const;

/** A pose with some of its angles set anew. */
function repose(pose: PoseSpec, changes: PoseSpec = {}): PoseSpec {
  const parts = PARTS.filter((part) => pose[part] || changes[part]);
  return Object.fromEntries(parts.map((part) => [part, { ...pose[part], ...changes[part] }]));
}

/** The drawing of a school that departs from its procedure's: what is not named stays. */
export function redraw(figure: FigureSpec, change: Redrawing): FigureSpec {
  const { pose, from, band, decides, afresh, ...parts } = change;
  const { from: start, decides: decisive, ...kept } = figure;
  const goal = afresh ? (pose ?? {}) : repose(figure.pose, pose);
  const begin = afresh ? from : start || from ? repose(start ?? figure.pose, from) : undefined;
  const deciding =
    decides !== undefined ? decides : decisive && band ? { ...decisive, band } : decisive;
  return {
    ...kept,
    ...parts,
    pose: goal,
    ...(begin ? { from: begin } : {}),
    ...(deciding ? { decides: deciding } : {}),
  };
}
