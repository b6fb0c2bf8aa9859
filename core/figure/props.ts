import { vec3 } from 'gl-matrix';
import { POSITIONS } from './basePositions.ts';
import { project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { Shape, XY } from './drawing.ts';
import type { Skeleton } from './skeleton.ts';
import { RADII } from './segments.ts';
import type { FigureSpec } from './spec.ts';

export const COUCH_THICKNESS = 0.035;
export const COUCH_HALF_WIDTH = 0.22;

/** What the body lies, sits or stands on, and what is laid under or beside it. */
export function drawProps(
  spec: FigureSpec,
  skeleton: Skeleton,
  camera: Camera,
  stepTop: number,
): Shape[] {
  const shapes: Shape[] = [];
  const flatView = Math.abs(camera.up[1]) > 0.5;
  const { support } = POSITIONS[spec.position];
  const xs = [
    skeleton.axial.head.far,
    ...Object.values(skeleton.limbs).flatMap((limb) => [
      limb.foot.far,
      limb.shank.near,
      limb.hand.far,
    ]),
  ];
  if (support === 'couch') shapes.push(couch(spec, skeleton, camera, flatView));
  else if (flatView) {
    const floor = (x: number): XY => [x, -0.002];
    const middle = project(camera, skeleton.axial.pelvis.near).x;
    shapes.push({
      kind: 'prop',
      prop: 'floor',
      points: [floor(middle - 0.4), floor(middle + 0.4)],
      label: 'Floor',
    });
  }
  for (const prop of spec.props ?? []) {
    if (prop.kind === 'bolster' && prop.under && flatView) {
      const own = skeleton.limbs.right[prop.under.segment as 'thigh'];
      const at = project(camera, vec3.lerp(vec3.create(), own.near, own.far, prop.under.at));
      const [near, far] = RADII[prop.under.segment];
      const top = at.y - (near + (far - near) * prop.under.at);
      const r = Math.max(0.012, top / 2);
      const circle = Array.from({ length: 25 }, (_, i): XY => [
        at.x + r * Math.cos((i * Math.PI) / 12),
        r + r * Math.sin((i * Math.PI) / 12),
      ]);
      shapes.push({ kind: 'prop', prop: 'bolster', points: circle, label: 'Bolster' });
    }
    if (prop.kind === 'step' && flatView) {
      const foot = skeleton.limbs.right.foot;
      const [a, b] = [project(camera, foot.near).x, project(camera, foot.far).x];
      const [l, r] = [Math.min(a, b) - 0.06, Math.max(a, b) + 0.03];
      shapes.push({
        kind: 'prop',
        prop: 'step',
        points: [
          [l, 0],
          [r, 0],
          [r, stepTop],
          [l, stepTop],
        ],
        label: `Step, ${prop.heightCm} cm`,
      });
    }
    if (prop.kind === 'wall' && flatView) {
      const x = Math.max(...xs.map((p) => project(camera, p).x)) + 0.02;
      shapes.push({
        kind: 'prop',
        prop: 'wall',
        points: [
          [x, 0],
          [x, 1.1],
        ],
        label: 'Wall',
      });
    }
  }
  return shapes;
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
      shifted(left.shank.near, [0.06, 0, 0]),
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
    return {
      kind: 'prop',
      prop: 'couch',
      points: [
        [l, 0],
        [r, 0],
        [r, -COUCH_THICKNESS],
        [l, -COUCH_THICKNESS],
      ],
      label,
    };
  }
  const corners = ends.flatMap((p) =>
    [-COUCH_HALF_WIDTH, COUCH_HALF_WIDTH].map((z) => project(camera, vec3.fromValues(p[0], 0, z))),
  );
  const [l, r] = [Math.min(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.x))];
  const [b, t] = [Math.min(...corners.map((p) => p.y)), Math.max(...corners.map((p) => p.y))];
  return {
    kind: 'prop',
    prop: 'couch',
    points: [
      [l, b],
      [r, b],
      [r, t],
      [l, t],
    ],
    label,
  };
}
