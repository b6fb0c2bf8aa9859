import { vec3 } from 'gl-matrix';
import { between, project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { BodyPart, Capsule, Shape, XY } from './drawing.ts';
import { along } from './skeleton.ts';
import type { Skeleton } from './skeleton.ts';

type Spot = readonly [front: number, up: number, outward?: number];

/** A part of the head: two balls and what lies between them, from the chin, in statures. */
interface HeadPart {
  readonly from: Spot;
  readonly r1: number;
  readonly to: Spot;
  readonly r2: number;
  readonly fill: BodyPart['fill'];
}

/** The skull lies under the hair; face, jaw, lips and nose stand before it. Chosen by eye. */
const PARTS: readonly HeadPart[] = [
  { from: [-0.011, 0.081], r1: 0.049, to: [-0.006, 0.084], r2: 0.046, fill: 'hair' },
  { from: [0.015, 0.079], r1: 0.029, to: [0.019, 0.046], r2: 0.026, fill: 'skin' },
  { from: [-0.004, 0.036], r1: 0.025, to: [0.03, 0.016], r2: 0.016, fill: 'skin' },
  { from: [0.042, 0.068], r1: 0.006, to: [0.056, 0.051], r2: 0.0075, fill: 'skin' },
  { from: [0.04, 0.036], r1: 0.009, to: [0.041, 0.028], r2: 0.008, fill: 'skin' },
];
const EYE: Spot = [0.034, 0.069, 0.017];
const MOUTH: readonly [Spot, Spot] = [
  [0.047, 0.032],
  [0.033, 0.031, 0.014],
];
const NOSE: readonly [Spot, Spot] = [
  [0.052, 0.06],
  [0.061, 0.049],
];
const EAR: readonly [Spot, Spot] = [
  [-0.011, 0.066, 0.044],
  [-0.008, 0.05, 0.042],
];
/** Where a mark of the head looks; it is seen while it looks at the viewer. */
const LOOKS = { eye: [0.75, 0, 0.66], ear: [0, 0, 1] } as const;

/** The head in the order of its depth: from behind the hair covers the face. */
export function headParts(skeleton: Skeleton, camera: Camera, tinted: boolean): BodyPart[] {
  const onPaper = (spot: Spot) => project(camera, spotOn(skeleton, spot, 1));
  return PARTS.map(({ from, r1, to, r2, fill }) => {
    const [a, b] = [onPaper(from), onPaper(to)];
    const part: BodyPart = {
      ...between(a, b, r1, r2),
      fill: tinted && fill === 'skin' ? 'tinted' : fill,
    };
    return { part, depth: (a.depth + b.depth) / 2 };
  })
    .sort((one, two) => (Math.abs(one.depth - two.depth) < 1e-4 ? 0 : one.depth - two.depth))
    .map(({ part }) => part);
}

/** Eyes, mouth and ears, as far as they look at the viewer. */
export function face(skeleton: Skeleton, camera: Camera): Shape {
  const { frame } = skeleton.axial.head;
  const front = vec3.transformQuat(vec3.create(), [1, 0, 0], frame);
  const facing = vec3.dot(front, camera.towards);
  const onPaper = (spot: Spot, side: -1 | 1): XY => {
    const { x, y } = project(camera, spotOn(skeleton, spot, side));
    return [x, y];
  };
  const eyes: XY[] = [];
  const traits: XY[][] = [];
  const ears: Capsule[] = [];
  for (const side of [-1, 1] as const) {
    const looks = ([x, y, z]: readonly [number, number, number]) =>
      vec3.dot(vec3.transformQuat(vec3.create(), [x, y, side * z], frame), camera.towards);
    const at = (spot: Spot) => onPaper(spot, side);
    if (looks(LOOKS.eye) > 0.2) {
      eyes.push(at(EYE));
      traits.push(MOUTH.map(at));
    }
    if (looks(LOOKS.ear) > 0.3) {
      const [a, b] = EAR.map((spot) => project(camera, spotOn(skeleton, spot, side)));
      if (a && b) ears.push(between(a, b, 0.011, 0.007));
    }
  }
  const seen = facing > 0.7 ? 'face' : facing < -0.7 ? 'back' : 'profile';
  // Seen from the side, the nose stands in the outline.
  if (seen === 'face') traits.push(NOSE.map((spot) => onPaper(spot, 1)));
  return { kind: 'face', seen, eyes, traits, ears };
}

function spotOn({ axial }: Skeleton, [front, up, outward = 0]: Spot, side: -1 | 1): vec3 {
  const { near, frame } = axial.head;
  // The head's own segment begins above the chin.
  const own = vec3.fromValues(front, up - CHIN, side * outward);
  return along(near, frame, own, 1);
}

/** How far above the chin the head's segment begins, as the skeleton has it. */
const CHIN = 0.045;
