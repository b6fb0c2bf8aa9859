import { vec3 } from 'gl-matrix';
import { project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Shape, XY } from './drawing.ts';
import type { SeenAngle } from './skeleton.ts';

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
  const words = bandInWords(band);
  return [
    { kind: 'sector', centre: from, points },
    { kind: 'ray', from, to: at(0, RAY), dashed: true },
    { kind: 'ray', from, to: at(seen.degrees, RAY * 1.1), dashed: false },
    { kind: 'label', at: at((band[0] + band[1]) / 2, RAY * 1.28), text: words, anchor: 'middle' },
  ];
}

/** "20 to 30°"; both signs are said only where the band spans zero. */
function bandInWords([low, high]: readonly [number, number]): string {
  if (low < 0 && high > 0) return `${low} to ${high}°`.replace('-', '−');
  const [least, most] = [
    Math.min(Math.abs(low), Math.abs(high)),
    Math.max(Math.abs(low), Math.abs(high)),
  ];
  return least === most ? `${most}°` : `${least} to ${most}°`;
}
