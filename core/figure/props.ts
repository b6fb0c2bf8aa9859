import { vec3 } from 'gl-matrix';
import { POSITIONS } from './basePositions.ts';
import { project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Shape, XY } from './drawing.ts';
import { placeOn } from './handsAndForces.ts';
import { segmentOf } from './skeleton.ts';
import type { Skeleton } from './skeleton.ts';
import { RADII } from './segments.ts';
import type { SegmentName } from './segments.ts';
import type { FigureSpec, Place } from './spec.ts';

export const COUCH_THICKNESS = 0.035;
export const COUCH_HALF_WIDTH = 0.22;
/** How far before the knees the back of a chair stands, and how high. */
const CHAIR_BACK = 0.3;
const CHAIR_BACK_HEIGHT = 0.46;

/** What the body lies, sits or stands on, and what is laid under it or stands beside it. */
export function drawProps(
  spec: FigureSpec,
  skeleton: Skeleton,
  camera: Camera,
  stepTop: number,
): Shape[] {
  const flatView = Math.abs(camera.up[1]) > 0.5;
  const shapes =
    POSITIONS[spec.position].support === 'couch'
      ? [couch(spec, skeleton, camera, flatView)]
      : flatView
        ? [floor(skeleton, camera)]
        : [];
  if (!flatView) return shapes;
  for (const prop of spec.props ?? []) {
    if (prop.kind === 'bolster') shapes.push(bolster(prop.under, skeleton, camera));
    if (prop.kind === 'step') shapes.push(step(prop.heightCm, stepTop, skeleton, camera));
    if (prop.kind === 'wall' || prop.kind === 'pole') {
      shapes.push(upright(prop.kind, skeleton, camera));
    }
  }
  return shapes;
}

/** Tapes from landmark to landmark; they lie over the body. */
export function drawTapes({ props = [] }: FigureSpec, skeleton: Skeleton, camera: Camera): Shape[] {
  const onPaper = (place: Place): XY => {
    const { x, y } = project(camera, placeOn(skeleton, place).skin);
    return [x, y];
  };
  return props.flatMap((prop): Shape[] =>
    prop.kind === 'tape'
      ? [
          {
            kind: 'prop',
            prop: 'tape',
            points: [onPaper(prop.from), onPaper(prop.to)],
            label: 'Tape',
          },
        ]
      : [],
  );
}

function floor(skeleton: Skeleton, camera: Camera): Shape {
  const middle = project(camera, skeleton.axial.pelvis.near).x;
  const points: XY[] = [-0.4, 0.4].map((x) => [middle + x, -0.002]);
  return { kind: 'prop', prop: 'floor', points, label: 'Floor' };
}

/** A roll that fills the room between the couch and the limb. */
function bolster(
  under: { segment: SegmentName; at: number },
  skeleton: Skeleton,
  camera: Camera,
): Shape {
  const limb = segmentOf(skeleton, under.segment, 'right');
  const at = project(camera, vec3.lerp(vec3.create(), limb.near, limb.far, under.at));
  const [near, far] = RADII[under.segment];
  const r = Math.max(0.012, (at.y - (near + (far - near) * under.at)) / 2);
  const circle = Array.from({ length: 25 }, (_, i): XY => [
    at.x + r * Math.cos((i * Math.PI) / 12),
    r + r * Math.sin((i * Math.PI) / 12),
  ]);
  return { kind: 'prop', prop: 'bolster', points: circle, label: 'Bolster' };
}

function step(heightCm: number, top: number, { limbs }: Skeleton, camera: Camera): Shape {
  const [a, b] = [
    project(camera, limbs.right.foot.near).x,
    project(camera, limbs.right.foot.far).x,
  ];
  return {
    kind: 'prop',
    prop: 'step',
    points: rectangle(Math.min(a, b) - 0.06, 0, Math.max(a, b) + 0.03, top),
    label: `Step, ${heightCm} cm`,
  };
}

/** A wall or pole, just beyond what the tested limb reaches on its own side of the body. */
function upright(kind: 'wall' | 'pole', skeleton: Skeleton, camera: Camera): Shape {
  const { hand, shank, foot } = skeleton.limbs.right;
  const middle = project(camera, skeleton.axial.pelvis.near).x;
  const reach = [hand.far, shank.near, foot.far]
    .map((point) => project(camera, point).x - middle)
    .reduce((most, x) => (Math.abs(x) > Math.abs(most) ? x : most), 0);
  const x = middle + reach + Math.sign(reach) * 0.035;
  const label = kind === 'wall' ? 'Wall' : 'Pole';
  return {
    kind: 'prop',
    prop: kind,
    points: [
      [x, 0],
      [x, 1.3],
    ],
    label,
  };
}

function rectangle(l: number, b: number, r: number, t: number): XY[] {
  return [
    [l, b],
    [r, b],
    [r, t],
    [l, t],
  ];
}

/** How far the couch reaches: behind somebody who sits on its edge, all along somebody who lies. */
export function couchEnds(
  { position }: Pick<FigureSpec, 'position'>,
  { axial, limbs }: Skeleton,
): vec3[] {
  const { head, pelvis } = axial;
  const { left, right } = limbs;
  const shifted = (from: vec3, by: vec3) => vec3.add(vec3.create(), from, by);
  if (position === 'sitting') {
    return [shifted(pelvis.near, [-0.22, 0, 0]), shifted(left.thigh.far, [-0.035, 0, 0])];
  }
  // The feet of somebody who kneels hang free behind the seat.
  if (position === 'kneeling') {
    return [
      shifted(left.shank.near, [CHAIR_BACK, 0, 0]),
      vec3.lerp(vec3.create(), left.shank.near, left.shank.far, 0.72),
    ];
  }
  const beyond = (from: vec3, to: vec3, by: number) =>
    vec3.scaleAndAdd(vec3.create(), to, vec3.subtract(vec3.create(), to, from), by);
  // Feet that would point through the couch hang over its end.
  if (Math.min(left.foot.far[1], right.foot.far[1]) < RADII.foot[1] - 0.01) {
    const { near, far } = right.foot.far[1] < left.foot.far[1] ? right.shank : left.shank;
    return [beyond(pelvis.near, head.far, 0.12), vec3.lerp(vec3.create(), near, far, 0.85)];
  }
  return [
    beyond(pelvis.near, head.far, 0.12),
    left.foot.far,
    right.foot.far,
    beyond(head.far, pelvis.near, 0.85),
  ];
}

/** The couch under what lies on it; over its edge hang shanks of somebody who sits. */
function couch(spec: FigureSpec, skeleton: Skeleton, camera: Camera, flatView: boolean): Shape {
  const { pelvis } = skeleton.axial;
  const ends = couchEnds(spec, skeleton);
  const label = spec.position === 'kneeling' ? 'Chair' : 'Couch';
  if (flatView) {
    const across = Math.abs(camera.right[0]) > 0.5;
    const xs = across
      ? ends.map((p) => project(camera, p).x)
      : [-0.24, 0.24].map((z) => project(camera, pelvis.near).x + z);
    const [l, r] = [Math.min(...xs), Math.max(...xs)];
    const points = rectangle(l, -COUCH_THICKNESS, r, 0);
    if (spec.position === 'kneeling' && across) points.splice(2, 1, ...chairBack(r));
    return { kind: 'prop', prop: 'couch', points, label };
  }
  const corners = ends.flatMap((p) =>
    [-COUCH_HALF_WIDTH, COUCH_HALF_WIDTH].map((z) => project(camera, vec3.fromValues(p[0], 0, z))),
  );
  const [l, r] = [Math.min(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.x))];
  const [b, t] = [Math.min(...corners.map((p) => p.y)), Math.max(...corners.map((p) => p.y))];
  return { kind: 'prop', prop: 'couch', points: rectangle(l, b, r, t), label };
}

/** The back of a chair, up from its front edge, where the hands hold on. */
function chairBack(edge: number): XY[] {
  return [
    [edge, CHAIR_BACK_HEIGHT],
    [edge - 0.02, CHAIR_BACK_HEIGHT],
    [edge - 0.02, 0],
  ];
}
