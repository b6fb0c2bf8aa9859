import { vec3 } from 'gl-matrix';
import { depthOf, project } from './camera.ts';
import type { Camera, Point } from './camera.ts';
import type { Capsule, Shape, Tone, XY } from './drawing.ts';
import type { Segment, Skeleton } from './skeleton.ts';
import { RADII } from './segments.ts';
import type { SegmentName, Side } from './segments.ts';
import type { FigureSpec } from './spec.ts';

const LIMBS: readonly { readonly side: Side; readonly chain: readonly SegmentName[] }[] = [
  { side: 'left', chain: ['upperArm', 'forearm', 'hand'] },
  { side: 'right', chain: ['upperArm', 'forearm', 'hand'] },
  { side: 'left', chain: ['thigh', 'shank', 'foot'] },
  { side: 'right', chain: ['thigh', 'shank', 'foot'] },
];

/** The whole body, limb by limb in the order of their depth. */
export function drawBody(
  skeleton: Skeleton,
  camera: Camera,
  region: readonly SegmentName[],
): Shape[] {
  const { pelvis, trunk, head } = skeleton.axial;
  const middle = depthOf(camera, [trunk]);
  const groups = LIMBS.map(({ side, chain }) => {
    const segments = chain.map((name) => skeleton.limbs[side][name as 'thigh']);
    const depth = depthOf(camera, segments);
    const parts = chain.flatMap((name, i) => {
      const tinted = side === 'right' && region.includes(name);
      const own = [{ ...capsule(segments[i] as Segment, name, camera), tinted }];
      return name === 'foot' || name === 'hand'
        ? [...own, { ...extremity(skeleton, name, side, camera), tinted }]
        : own;
    });
    return { depth, shape: { kind: 'body' as const, tone: toneOf(depth - middle, side), parts } };
  });
  groups.push({
    depth: middle,
    shape: {
      kind: 'body',
      tone: 'near',
      parts: [
        { ...capsule(pelvis, 'pelvis', camera), tinted: region.includes('pelvis') },
        ...trunkParts(skeleton, camera, region.includes('trunk')),
        { ...capsule(head, 'head', camera), tinted: region.includes('head') },
      ],
    },
  });
  groups.sort((a, b) => a.depth - b.depth);
  return [...groups.map(({ shape }) => shape), face(skeleton, camera)];
}

/** A trunk as wide as the shoulders: two strands from hips to shoulders and one between them. */
function trunkParts(skeleton: Skeleton, camera: Camera, tinted: boolean) {
  const { left, right } = skeleton.limbs;
  const { trunk } = skeleton.axial;
  const strand = (from: vec3, to: vec3, r1: number, r2: number) => ({
    ...between(project(camera, from), project(camera, to), r1, r2),
    tinted,
  });
  const inward = (a: vec3, b: vec3, share: number) => vec3.lerp(vec3.create(), a, b, share);
  return [
    { ...capsule(trunk, 'trunk', camera), tinted },
    strand(
      inward(left.thigh.near, right.thigh.near, 0.12),
      inward(left.upperArm.near, right.upperArm.near, 0.14),
      0.05,
      0.042,
    ),
    strand(
      inward(right.thigh.near, left.thigh.near, 0.12),
      inward(right.upperArm.near, left.upperArm.near, 0.14),
      0.05,
      0.042,
    ),
    strand(
      inward(left.upperArm.near, right.upperArm.near, 0.1),
      inward(right.upperArm.near, left.upperArm.near, 0.1),
      0.034,
      0.034,
    ),
    strand(trunk.far, skeleton.axial.head.near, 0.028, 0.028),
  ];
}

/** The part of hand and foot that tells which way they are turned: thumb, and forefoot with the toes. */
export function extremity(
  skeleton: Skeleton,
  name: 'hand' | 'foot',
  side: Side,
  camera: Camera,
): Capsule {
  const { near, far, frame } = skeleton.limbs[side][name];
  const own = (x: number, y: number, z: number) =>
    vec3.transformQuat(vec3.create(), [x, y, side === 'right' ? z : -z], frame);
  if (name === 'hand') {
    const root = vec3.lerp(vec3.create(), near, far, 0.25);
    const tip = vec3.scaleAndAdd(vec3.create(), root, own(0.75, -0.66, -0.1), 0.05);
    return between(project(camera, root), project(camera, tip), 0.009, 0.007);
  }
  const ball = vec3.lerp(vec3.create(), near, far, 0.72);
  const wide = (z: number) =>
    project(camera, vec3.scaleAndAdd(vec3.create(), ball, own(0.3, 0, z), 0.022));
  return between(wide(-0.95), wide(0.95), 0.015, 0.011);
}

/** Where the tested limb was before it moved. */
export function drawGhost(skeleton: Skeleton, camera: Camera, { region }: FigureSpec): Shape[] {
  const arm = region.some((name) => name === 'upperArm' || name === 'forearm' || name === 'hand');
  const leg = region.some((name) => name === 'thigh' || name === 'shank' || name === 'foot');
  return LIMBS.filter(
    ({ side, chain }) => side === 'right' && (chain[0] === 'thigh' ? leg : arm),
  ).map(({ chain }) => ({
    kind: 'body' as const,
    tone: 'ghost' as const,
    parts: chain.map((name) => ({
      ...capsule(skeleton.limbs.right[name as 'thigh'], name, camera),
      tinted: false,
    })),
  }));
}

function face(skeleton: Skeleton, camera: Camera): Shape {
  const { near, far, frame } = skeleton.axial.head;
  const centre = project(camera, vec3.lerp(vec3.create(), near, far, 0.55));
  const front = vec3.transformQuat(vec3.create(), [1, 0, 0], frame);
  const facing = vec3.dot(front, camera.towards);
  const nose: XY = [vec3.dot(front, camera.right), vec3.dot(front, camera.up)];
  const seen = facing > 0.7 ? 'face' : facing < -0.7 ? 'back' : 'profile';
  return {
    kind: 'face',
    tone: 'near',
    x: centre.x,
    y: centre.y,
    nose: facing > -0.6 && Math.hypot(...nose) > 0.3 ? nose : null,
    seen,
  };
}
/** A segment on paper. */
export function capsule(segment: Segment, name: SegmentName, camera: Camera): Capsule {
  const [r1, r2] = RADII[name];
  return between(project(camera, segment.near), project(camera, segment.far), r1, r2);
}

function between(a: Point, b: Point, r1: number, r2: number): Capsule {
  return { x1: a.x, y1: a.y, r1, x2: b.x, y2: b.y, r2 };
}
function toneOf(ahead: number, side: Side): Tone {
  if (Math.abs(ahead) < 0.02) return side === 'right' ? 'near' : 'far';
  return ahead > 0 || side === 'right' ? 'near' : 'far';
}
