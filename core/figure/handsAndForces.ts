import { vec3 } from 'gl-matrix';
import { project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Shape, XY } from './drawing.ts';
import { segmentOf } from './skeleton.ts';
import type { Skeleton } from './skeleton.ts';
import { RADII } from './segments.ts';
import type { ForceSpec, HandSpec, Place, Surface } from './spec.ts';

/** A surface as a direction of the segment's own frame, on the right side of the body. */
const DIRECTION: Readonly<Record<Surface, readonly [number, number, number]>> = {
  front: [1, 0, 0],
  back: [-1, 0, 0],
  above: [0, 1, 0],
  below: [0, -1, 0],
  inner: [0, 0, -1],
  outer: [0, 0, 1],
};

export interface PlacedPoint {
  /** On the axis of the segment, and on its skin. */
  readonly axis: vec3;
  readonly skin: vec3;
  readonly outward: vec3;
}

/** Where a place on the body is in space. */
export function placeOn(skeleton: Skeleton, place: Place): PlacedPoint {
  const side = place.other ? 'left' : 'right';
  const { near, far } = segmentOf(skeleton, place.segment, side);
  const axis = vec3.lerp(vec3.create(), near, far, place.at);
  const outward = directionOf(skeleton, place, place.surface);
  const [r1, r2] = RADII[place.segment];
  return {
    axis,
    outward,
    skin: vec3.scaleAndAdd(vec3.create(), axis, outward, r1 + (r2 - r1) * place.at),
  };
}

function directionOf(skeleton: Skeleton, place: Place, surface: Surface): vec3 {
  const side = place.other ? 'left' : 'right';
  const { frame } = segmentOf(skeleton, place.segment, side);
  const [x, y, z] = DIRECTION[surface];
  return vec3.transformQuat(vec3.create(), [x, y, side === 'right' ? z : -z], frame);
}

/** A hand with a stub of forearm, on the skin, the forearm leading away from the body. */
export function drawHands(hands: readonly HandSpec[], skeleton: Skeleton, camera: Camera): Shape[] {
  return hands.flatMap((hand): Shape[] => {
    const { skin, outward } = placeOn(skeleton, hand);
    const at = project(camera, skin);
    const flat: XY = [vec3.dot(outward, camera.right), vec3.dot(outward, camera.up)];
    const length = Math.hypot(...flat);
    // A hand laid on from the viewer's side reaches in from above.
    const away: XY = length > 0.35 ? [flat[0] / length, flat[1] / length] : [0.35, 0.94];
    // A hand behind the limb.
    const faint = vec3.dot(outward, camera.towards) < -0.5;
    return [
      { kind: 'hand', role: hand.role, at: [at.x, at.y], away, faint },
      {
        kind: 'label',
        at: [at.x + away[0] * 0.155, at.y + away[1] * 0.155 + (away[1] >= 0 ? 0.02 : -0.03)],
        text: hand.role,
        anchor: away[0] > 0.4 ? 'start' : away[0] < -0.4 ? 'end' : 'middle',
      },
    ];
  });
}

const REACH = 0.13;

export function drawForces(
  forces: readonly ForceSpec[],
  skeleton: Skeleton,
  camera: Camera,
): Shape[] {
  return forces.flatMap((force): Shape[] => {
    const byPatient = force.byPatient ?? false;
    const { axis, skin, outward } = placeOn(skeleton, force);
    const side = force.other ? 'left' : 'right';
    const { near, far } = segmentOf(skeleton, force.segment, side);
    const along = vec3.normalize(vec3.create(), vec3.subtract(vec3.create(), far, near));
    const flat = (point: vec3): XY => {
      const { x, y } = project(camera, point);
      return [x, y];
    };
    const move = (from: vec3, direction: vec3, by: number) =>
      flat(vec3.scaleAndAdd(vec3.create(), from, direction, by));
    switch (force.kind) {
      case 'straight': {
        const direction = directionOf(skeleton, force, force.towards);
        const toViewer = vec3.dot(direction, camera.towards);
        if (Math.abs(toViewer) > 0.85) {
          return [{ kind: 'towards-viewer', at: flat(axis), away: toViewer < 0, byPatient }];
        }
        // A push arrives at the skin, a pull leaves it; both point the way the body is to go.
        const start =
          vec3.dot(direction, outward) < 0
            ? vec3.scaleAndAdd(vec3.create(), skin, direction, -REACH)
            : skin;
        return [
          {
            kind: 'arrow',
            points: [flat(start), move(start, direction, REACH)],
            byPatient,
            heads: 'end',
          },
        ];
      }
      case 'turn': {
        const [r1, r2] = RADII[force.segment];
        const radius = 1.5 * (r1 + (r2 - r1) * force.at);
        const front = directionOf(skeleton, force, 'front');
        const inner = directionOf(skeleton, force, 'inner');
        const sign = force.towards === 'inwards' ? 1 : -1;
        const points = Array.from({ length: 19 }, (_, i) => {
          const angle = (sign * (i - 9) * 14 * Math.PI) / 180;
          const around = vec3.scaleAndAdd(
            vec3.create(),
            vec3.scale(vec3.create(), front, Math.cos(angle)),
            inner,
            Math.sin(angle),
          );
          return move(axis, around, radius);
        });
        return [{ kind: 'arrow', points, byPatient, heads: 'end' }];
      }
      case 'compress':
      case 'distract': {
        const beyond = vec3.scaleAndAdd(vec3.create(), far, along, 0.03);
        const before = vec3.scaleAndAdd(vec3.create(), near, along, -0.03);
        const inwards = force.kind === 'compress';
        return [
          {
            kind: 'arrow',
            points: inwards
              ? [move(beyond, along, 0.1), flat(beyond)]
              : [flat(beyond), move(beyond, along, 0.1)],
            byPatient,
            heads: 'end',
          },
          {
            kind: 'arrow',
            points: inwards
              ? [move(before, along, -0.1), flat(before)]
              : [flat(before), move(before, along, -0.1)],
            byPatient,
            heads: 'end',
          },
        ];
      }
    }
  });
}
