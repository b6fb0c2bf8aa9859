import { vec3 } from 'gl-matrix';
import { drawAngle } from './angle.ts';
import { POSITIONS } from './basePositions.ts';
import { capsule, extremity } from './body.ts';
import { cameraAlong, project } from './camera.ts';
import type { Camera } from './camera.ts';
import { closeUpOf } from './closeUp.ts';
import type { BodyPart, Detail, Shape, XY } from './drawing.ts';
import { framed, squared } from './frame.ts';
import { LAXITY_FACTOR } from './pose.ts';
import { angleKey, segmentOf } from './skeleton.ts';
import type { SeenAngle, Skeleton } from './skeleton.ts';
import type { FigureSpec } from './spec.ts';
import { chainOf, decisiveAngle, LENGTHWISE, turnsInView } from './view.ts';
import type { DetailView } from './view.ts';

/**
 * The small drawings beside the whole: the deciding angle where the main view is not square to it,
 * else a tilt of the ankle that points at the viewer; and a close-up of what is too small.
 */
export function detailViews(spec: FigureSpec, skeleton: Skeleton, camera: Camera): DetailView[] {
  const views: DetailView[] = [];
  const decisive = decisiveAngle(spec, skeleton);
  const tilt = skeleton.angles.get(angleKey('hindfootInversion', 'right'));
  if (decisive && !turnsInView(camera, decisive)) views.push(angleView(spec, decisive));
  else if (spec.pose.leg?.talarTilt && tilt && !turnsInView(camera, tilt)) {
    views.push(tiltView(skeleton, tilt));
  }
  if (spec.closeUp) views.push(closeUpOf(spec, spec.closeUp, skeleton, camera));
  return views;
}

/** The ankle from the front: how far the heel leaves the line of the shin. */
function tiltView(goal: Skeleton, tiltAtEnd: SeenAngle): DetailView {
  const { shank: shin, foot: sole } = goal.limbs.right;
  const upShin = vec3.normalize(vec3.create(), vec3.subtract(vec3.create(), shin.near, shin.far));
  const towards = vec3.transformQuat(vec3.create(), [1, 0, 0], sole.frame);
  const camera = cameraAlong(tiltAtEnd.axis, { towards, up: upShin }, upShin);
  const at = (skeleton: Skeleton): Detail => {
    const { shank, foot } = skeleton.limbs.right;
    const tilt = skeleton.angles.get(angleKey('hindfootInversion', 'right')) ?? tiltAtEnd;
    const lowerShin = { ...shank, near: vec3.lerp(vec3.create(), shank.near, shank.far, 0.45) };
    const parts = [
      capsule(lowerShin, 'shank', camera),
      capsule(foot, 'foot', camera),
      ...extremity(skeleton, 'foot', 'right', camera),
    ].map((part): BodyPart => ({ ...part, fill: 'tinted' }));
    const ray = (direction: vec3, dashed: boolean): Shape => {
      const [from, to] = [0, 0.12].map((reach): XY => {
        const at = vec3.scaleAndAdd(vec3.create(), tilt.centre, direction, reach);
        const { x, y } = project(camera, at);
        return [x, y];
      }) as [XY, XY];
      return { kind: 'ray', from, to, dashed };
    };
    const body: Shape = { kind: 'body', tone: 'near', parts };
    return {
      title: `Tilt, ${LAXITY_FACTOR} times its size`,
      ...small([body, ray(tilt.zero, true), ray(tilt.pointer, false)], 0.3),
    };
  };
  return { at, follows: false };
}

function angleView(spec: FigureSpec, atEnd: SeenAngle): DetailView {
  const { angle, band } = spec.decides ?? { angle: 'trunkFlexion', band: [0, 0] };
  const plain = POSITIONS[spec.position].side;
  const lengthwise = LENGTHWISE.includes(angle);
  const beyond = vec3.negate(vec3.create(), atEnd.axis);
  const camera = lengthwise
    ? cameraAlong(atEnd.axis, { towards: beyond, up: atEnd.zero }, plain.up)
    : cameraAlong(atEnd.axis, plain, [0, 0, -1]);
  const at = (skeleton: Skeleton): Detail => {
    const seen = decisiveAngle(spec, skeleton) ?? atEnd;
    const parts = chainOf(angle).map((name): BodyPart => ({
      ...capsule(segmentOf(skeleton, name, 'right'), name, camera),
      fill: spec.region.includes(name) ? 'tinted' : 'skin',
    }));
    const body: Shape = { kind: 'body', tone: 'near', parts };
    return {
      title: lengthwise ? 'Seen along the limb' : 'Square to the angle',
      ...small([body, ...drawAngle(seen, band, camera)], 0.5),
    };
  };
  return { at, follows: false };
}

/** A box made square, so that a limb seen end-on does not fill the whole detail. */
function small(shapes: readonly Shape[], least: number): Pick<Detail, 'shapes' | 'box'> {
  const drawn = framed(shapes);
  return { shapes: drawn.shapes, box: squared(drawn.box, least) };
}
