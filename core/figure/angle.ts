import { vec3 } from 'gl-matrix';
import { POSITIONS } from './basePositions.ts';
import { capsule } from './body.ts';
import { cameraAlong, project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Drawing, Shape, XY } from './drawing.ts';
import { framed } from './frame.ts';
import { segmentOf } from './skeleton.ts';
import type { SeenAngle, Skeleton } from './skeleton.ts';
import type { FigureSpec } from './spec.ts';
import { chainOf, LENGTHWISE } from './view.ts';

const RAY = 0.2;

/** The band as a sector, the direction of zero dashed, the angle as it is, and its degrees. */
export function drawAngle(
  seen: SeenAngle,
  band: readonly [number, number],
  camera: Camera,
): Shape[] {
  const centre = project(camera, seen.centre);
  const flat = (direction: vec3) =>
    Math.atan2(vec3.dot(direction, camera.up), vec3.dot(direction, camera.right));
  const zero = flat(seen.zero);
  let turn = flat(seen.pointer) - zero;
  while (turn > Math.PI) turn -= 2 * Math.PI;
  while (turn < -Math.PI) turn += 2 * Math.PI;
  // Which way on paper a positive angle goes; at 0 degrees the axis itself tells.
  const way =
    Math.abs(seen.degrees) > 0.5
      ? Math.sign(turn) * Math.sign(seen.degrees)
      : Math.sign(vec3.dot(seen.axis, camera.towards)) || 1;
  const at = (angle: number, radius: number): XY => [
    centre.x + radius * Math.cos(zero + (way * angle * Math.PI) / 180),
    centre.y + radius * Math.sin(zero + (way * angle * Math.PI) / 180),
  ];
  const [low, high] = band[1] - band[0] < 4 ? [band[0] - 2, band[1] + 2] : band;
  const steps = Math.max(2, Math.ceil((high - low) / 3));
  const points = Array.from({ length: steps + 1 }, (_, i) =>
    at(low + ((high - low) * i) / steps, RAY),
  );
  const from: XY = [centre.x, centre.y];
  const [least, most] = [Math.min(...band.map(Math.abs)), Math.max(...band.map(Math.abs))];
  const words =
    least === most
      ? `${most}°`
      : band[0] * band[1] < 0
        ? `${band[0]} to ${band[1]}°`
        : `${least} to ${most}°`;
  return [
    { kind: 'sector', centre: from, points },
    { kind: 'ray', from, to: at(0, RAY), dashed: true },
    { kind: 'ray', from, to: at(seen.degrees, RAY * 1.1), dashed: false },
    { kind: 'label', at: at((band[0] + band[1]) / 2, RAY * 1.28), text: words, anchor: 'middle' },
  ];
}

/** A small drawing of the limb alone, square to the deciding angle where the main view is not. */
export function drawInset(spec: FigureSpec, skeleton: Skeleton, seen: SeenAngle): Drawing['inset'] {
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
  const drawn = framed(shapes);
  return {
    title: lengthwise ? 'Seen along the limb' : 'The angle, square to it',
    drawing: { ...drawn, box: squared(drawn.box), inset: null, text: '' },
  };
}

/** A box made square about its middle, so that a limb seen end-on does not fill the whole inset. */
function squared([l, b, w, h]: Drawing['box']): Drawing['box'] {
  const size = Math.max(w, h, 0.5);
  return [l + w / 2 - size / 2, b + h / 2 - size / 2, size, size];
}
