import { vec3 } from 'gl-matrix';
import { POSITIONS } from './basePositions.ts';
import { cameraAlong, cameraFrom, depthOf, project } from './camera.ts';
import type { Camera, Point } from './camera.ts';
import type { Detail } from './drawing.ts';
import type { JointAngle } from './pose.ts';
import { angleKey, segmentOf } from './skeleton.ts';
import type { SeenAngle, Segment, Skeleton } from './skeleton.ts';
import type { SegmentName } from './segments.ts';
import type { FigureSpec } from './spec.ts';

/** A detail as it looks at one moment of a movement; where it is looked at from never changes. */
export interface DetailView {
  readonly at: (skeleton: Skeleton) => Detail;
  /** Whether its box goes along with the part that it shows; else one box holds the whole movement. */
  readonly follows: boolean;
}

/** Turns about a segment's own length: where nothing bends at its end, only an inset shows them. */
export const LENGTHWISE: readonly JointAngle[] = [
  'hipRotation',
  'tibialRotation',
  'shoulderRotation',
  'forearmPronation',
  'trunkRotation',
];
/**
 * The view: square to the plane of the deciding angle. Turns about a segment's own length are
 * looked at along it only where the segment beyond shows them; else the plain view and an inset.
 */
export function cameraFor(
  spec: FigureSpec,
  skeleton: Skeleton,
  decisive: SeenAngle | undefined,
): Camera {
  const plain = POSITIONS[spec.position].side;
  const pelvis = skeleton.axial.pelvis.frame;
  const front = vec3.transformQuat(vec3.create(), [1, 0, 0], pelvis);
  const head = vec3.transformQuat(vec3.create(), [0, 1, 0], pelvis);
  if (decisive && spec.decides && !spec.view && showsItself(spec, skeleton)) {
    const spare: vec3 = Math.abs(head[1]) > 0.5 ? front : [0, 0, -1];
    const square = unhidden(cameraAlong(decisive.axis, plain, spare), spec, skeleton);
    if (!looksAskance(square, spec)) return square;
  }
  switch (spec.view) {
    case 'front':
      // From the feet of somebody who lies, from the front of somebody who stands.
      return Math.abs(head[1]) > 0.5
        ? cameraFrom(front, [0, 1, 0])
        : cameraFrom(vec3.negate(vec3.create(), head), [0, 1, 0]);
    case 'above':
      return Math.abs(head[1]) > 0.5
        ? cameraFrom([0, 1, 0], front)
        : cameraFrom([0, 1, 0], [0, 0, -1]);
    case 'quarter':
      return cameraFrom([0.45, 0.35, 1], plain.up);
    default:
      return cameraFrom(plain.towards, plain.up);
  }
}

/**
 * Whether a couch would be looked at from a slant above or below, where nobody can tell what lies
 * on it. The plain view with an inset serves better then.
 */
function looksAskance({ towards }: Camera, { position }: FigureSpec): boolean {
  const steep = Math.abs(towards[1]);
  return POSITIONS[position].support === 'couch' && steep > 0.3 && steep < 0.9;
}

/** The view from the other end where the trunk would stand before the moving limb: a hand behind the back. */
function unhidden(camera: Camera, { decides }: FigureSpec, skeleton: Skeleton): Camera {
  const beyond = chainOf(decides?.angle ?? 'trunkFlexion')
    .slice(1)
    .map((name) => segmentOf(skeleton, name, 'right'));
  const { trunk } = skeleton.axial;
  const within = beyond.every(({ far }) => overTrunk(project(camera, far), trunk, camera));
  const behind = depthOf(camera, beyond) < depthOf(camera, [trunk]) - 0.02;
  return within && behind
    ? cameraFrom(vec3.negate(vec3.create(), camera.towards), camera.up)
    : camera;
}

/** Whether a point on paper lies where the trunk is drawn. */
function overTrunk({ x, y }: Point, trunk: Segment, camera: Camera): boolean {
  const [a, b] = [project(camera, trunk.near), project(camera, trunk.far)];
  const reach = 0.15;
  return (
    x > Math.min(a.x, b.x) - reach &&
    x < Math.max(a.x, b.x) + reach &&
    y > Math.min(a.y, b.y) - reach &&
    y < Math.max(a.y, b.y) + reach
  );
}

/** Whether the segment beyond the joint stands off the axis, so that the turn can be read from it. */
function showsItself(spec: FigureSpec, skeleton: Skeleton): boolean {
  const angle = spec.decides?.angle;
  if (!angle || !LENGTHWISE.includes(angle)) return true;
  const bend =
    angle === 'hipRotation' ? 'kneeFlexion' : angle === 'shoulderRotation' ? 'elbowFlexion' : null;
  return bend !== null && Math.abs(skeleton.angles.get(angleKey(bend, 'right'))?.degrees ?? 0) > 30;
}

/** The angle that decides, as it stands on the tested side. */
export function decisiveAngle({ decides }: FigureSpec, { angles }: Skeleton) {
  return decides && angles.get(angleKey(decides.angle, 'right'));
}

export function turnsInView(camera: Camera, seen: SeenAngle): boolean {
  return Math.abs(vec3.dot(camera.towards, seen.axis)) > 0.999;
}

/** The limb that an angle belongs to, from the trunk outwards. */
export function chainOf(angle: JointAngle): SegmentName[] {
  if (/^(shoulder|elbow|forearm|wrist)/.test(angle)) return ['upperArm', 'forearm', 'hand'];
  return /^(hip|knee|ankle|hindfoot|tibial|talar)/.test(angle)
    ? ['thigh', 'shank', 'foot']
    : ['trunk', 'head'];
}
