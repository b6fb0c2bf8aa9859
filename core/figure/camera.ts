import { vec3 } from 'gl-matrix';
import type { Capsule } from './drawing.ts';

/** An orthographic view: what is right, what is up, and the way to the viewer. */
export interface Camera {
  readonly right: vec3;
  readonly up: vec3;
  readonly towards: vec3;
}

/** A point on paper: x to the right, y upwards, and its depth towards the viewer. */
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly depth: number;
}

/** A camera that looks against `towards`, `up` as near upright as that allows. */
export function cameraFrom(towards: vec3, up: vec3): Camera {
  const back = vec3.normalize(vec3.create(), towards);
  const right = vec3.normalize(vec3.create(), vec3.cross(vec3.create(), up, back));
  return { right, up: vec3.cross(vec3.create(), back, right), towards: back };
}

/**
 * A camera whose line of sight runs along an axis, so that turns about it are seen in their true
 * size. Of the two ends the one nearer to the plain view is taken; `up` gives way to `spare`
 * where it runs along the axis itself.
 */
export function cameraAlong(axis: vec3, plain: { towards: vec3; up: vec3 }, spare: vec3): Camera {
  const ahead = vec3.dot(axis, plain.towards);
  // An upright axis, or one across the plain view, is looked at from above or from the front.
  const across = Math.abs(ahead) < 0.05 || Math.abs(axis[1]) > 0.7;
  const sign = across ? (axis[1] + 0.1 * axis[0] >= 0 ? 1 : -1) : Math.sign(ahead);
  const towards = vec3.scale(vec3.create(), axis, sign);
  const upright = Math.abs(vec3.dot(towards, plain.up)) < 0.9 ? plain.up : spare;
  return cameraFrom(towards, upright);
}

/** A tapered limb on paper, from one point to another. */
export function between(a: Point, b: Point, r1: number, r2: number): Capsule {
  return { x1: a.x, y1: a.y, r1, x2: b.x, y2: b.y, r2 };
}

export function project({ right, up, towards }: Camera, point: vec3): Point {
  return {
    x: vec3.dot(point, right),
    y: vec3.dot(point, up),
    depth: vec3.dot(point, towards),
  };
}

/** How near to the viewer these segments lie, on the whole. */
export function depthOf(camera: Camera, segments: readonly { near: vec3; far: vec3 }[]): number {
  const depths = segments.flatMap(({ near, far }) => [
    project(camera, near).depth,
    project(camera, far).depth,
  ]);
  return depths.reduce((sum, d) => sum + d, 0) / depths.length;
}
