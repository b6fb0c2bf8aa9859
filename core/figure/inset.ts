import { vec3 } from 'gl-matrix';
import { drawAngle } from './angle.ts';
import { POSITIONS } from './basePositions.ts';
import { capsule, extremity } from './body.ts';
import { cameraAlong, project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Drawing, Shape, XY } from './drawing.ts';
import { framed } from './frame.ts';
import { LAXITY_FACTOR } from './pose.ts';
import { angleKey, segmentOf } from './skeleton.ts';
import type { SeenAngle, Skeleton } from './skeleton.ts';
import type { FigureSpec } from './spec.ts';
import { chainOf, LENGTHWISE, turnsInView } from './view.ts';

/**
 * A second, small drawing of the limb alone for what the main view does not show: the deciding
 * angle where the view is not square to it, else a tilt of the ankle that points at the viewer.
 */
export function drawInset(spec: FigureSpec, skeleton: Skeleton, camera: Camera): Drawing['inset'] {
  const decisive = spec.decides && skeleton.angles.get(angleKey(spec.decides.angle, 'right'));
  if (decisive && !turnsInView(camera, decisive)) return angleInset(spec, skeleton, decisive);
  const tilt = skeleton.angles.get(angleKey('hindfootInversion', 'right'));
  return spec.pose.leg?.talarTilt && tilt && !turnsInView(camera, tilt)
    ? tiltInset(skeleton, tilt)
    : null;
}

/** The ankle from the front: how far the heel leaves the line of the shin. */
function tiltInset(skeleton: Skeleton, tilt: SeenAngle): Drawing['inset'] {
  const { shank, foot } = skeleton.limbs.right;
  const upShin = vec3.normalize(vec3.create(), vec3.subtract(vec3.create(), shank.near, shank.far));
  const towards = vec3.transformQuat(vec3.create(), [1, 0, 0], foot.frame);
  const camera = cameraAlong(tilt.axis, { towards, up: upShin }, upShin);
  const lowerShin = { ...shank, near: vec3.lerp(vec3.create(), shank.near, shank.far, 0.45) };
  const parts = [
    capsule(lowerShin, 'shank', camera),
    capsule(foot, 'foot', camera),
    extremity(skeleton, 'foot', 'right', camera),
  ].map((part) => ({ ...part, tinted: true }));
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
    drawing: small([body, ray(tilt.zero, true), ray(tilt.pointer, false)], 0.3),
  };
}

function angleInset(spec: FigureSpec, skeleton: Skeleton, seen: SeenAngle): Drawing['inset'] {
  if (!spec.decides) return null;
  const { angle, band } = spec.decides;
  const plain = POSITIONS[spec.position].side;
  const lengthwise = LENGTHWISE.includes(angle);
  const beyond = vec3.negate(vec3.create(), seen.axis);
  const camera = lengthwise
    ? cameraAlong(seen.axis, { towards: beyond, up: seen.zero }, plain.up)
    : cameraAlong(seen.axis, plain, [0, 0, -1]);
  const parts = chainOf(angle).map((name) => ({
    ...capsule(segmentOf(skeleton, name, 'right'), name, camera),
    tinted: spec.region.includes(name),
  }));
  const shapes: Shape[] = [{ kind: 'body', tone: 'near', parts }, ...drawAngle(seen, band, camera)];
  return {
    title: lengthwise ? 'Seen along the limb' : 'The angle, square to it',
    drawing: small(shapes),
  };
}

function small(shapes: readonly Shape[], least = 0.5): Drawing {
  const drawn = framed(shapes);
  return { ...drawn, box: squared(drawn.box, least), inset: null, text: '' };
}

/** A box made square about its middle, so that a limb seen end-on does not fill the whole inset. */
function squared([l, b, w, h]: Drawing['box'], least: number): Drawing['box'] {
  const size = Math.max(w, h, least);
  return [l + w / 2 - size / 2, b + h / 2 - size / 2, size, size];
}
