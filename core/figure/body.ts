import { vec3 } from 'gl-matrix';
import { between, depthOf, project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { BodyPart, Capsule, Shape, Tone } from './drawing.ts';
import { face, headParts } from './head.ts';
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
  const { pelvis, trunk } = skeleton.axial;
  const middle = depthOf(camera, [trunk]);
  const groups = LIMBS.map(({ side, chain }) => {
    const segments = chain.map((name) => skeleton.limbs[side][name as 'thigh']);
    const depth = depthOf(camera, segments);
    const parts = chain.flatMap((name, i) => {
      const fill = fillOf(side === 'right' && region.includes(name));
      const own = [{ ...capsule(segments[i] as Segment, name, camera), fill }];
      return name === 'foot' || name === 'hand'
        ? [...own, ...extremity(skeleton, name, side, camera).map((part) => ({ ...part, fill }))]
        : own;
    });
    const shape: Shape = { kind: 'body', tone: toneOf(depth - middle, side), parts };
    return { depth, shapes: [shape] as Shape[] };
  });
  const torso: Extract<Shape, { kind: 'body' }> = {
    kind: 'body',
    tone: 'near',
    parts: [
      { ...capsule(pelvis, 'pelvis', camera), fill: fillOf(region.includes('pelvis')) },
      ...trunkParts(skeleton, camera, fillOf(region.includes('trunk'))),
    ],
  };
  const parts = headParts(skeleton, camera, region.includes('head'));
  const depth = depthOf(camera, [skeleton.axial.head]);
  // Head and trunk share one outline, unless one stands before the other: from above, from the feet.
  groups.push(
    ...(Math.abs(depth - middle) > 0.1
      ? [
          { depth, shapes: [{ ...torso, parts }, face(skeleton, camera)] },
          { depth: middle, shapes: [torso] },
        ]
      : [
          {
            depth: middle,
            shapes: [{ ...torso, parts: [...torso.parts, ...parts] }, face(skeleton, camera)],
          },
        ]),
  );
  groups.sort((a, b) => a.depth - b.depth);
  return groups.flatMap(({ shapes }) => shapes);
}

function fillOf(tinted: boolean): BodyPart['fill'] {
  return tinted ? 'tinted' : 'skin';
}

/** A trunk as wide as the shoulders: two strands from hips to shoulders and one between them. */
function trunkParts(skeleton: Skeleton, camera: Camera, fill: BodyPart['fill']): BodyPart[] {
  const { left, right } = skeleton.limbs;
  const { trunk } = skeleton.axial;
  const strand = (from: vec3, to: vec3, r1: number, r2: number) => ({
    ...between(project(camera, from), project(camera, to), r1, r2),
    fill,
  });
  const inward = (a: vec3, b: vec3, share: number) => vec3.lerp(vec3.create(), a, b, share);
  return [
    { ...capsule(trunk, 'trunk', camera), fill },
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

/** The parts of hand and foot that tell which way they are turned: thumb, and forefoot with the toes. */
export function extremity(
  skeleton: Skeleton,
  name: 'hand' | 'foot',
  side: Side,
  camera: Camera,
): Capsule[] {
  const { near, far, frame } = skeleton.limbs[side][name];
  const own = (x: number, y: number, z: number) =>
    vec3.transformQuat(vec3.create(), [x, y, side === 'right' ? z : -z], frame);
  if (name === 'hand') {
    const root = vec3.lerp(vec3.create(), near, far, 0.25);
    const tip = vec3.scaleAndAdd(vec3.create(), root, own(0.75, -0.66, -0.1), 0.05);
    return [between(project(camera, root), project(camera, tip), 0.009, 0.007)];
  }
  // From the instep the foot widens towards the big toe, which lies inwards, and the little one.
  const instep = project(camera, vec3.lerp(vec3.create(), near, far, 0.3));
  const toe = (at: number, z: number) => {
    const line = vec3.lerp(vec3.create(), near, far, at);
    return project(camera, vec3.add(vec3.create(), line, own(0, -0.001, z)));
  };
  return [
    between(instep, toe(0.98, -0.011), 0.018, 0.011),
    between(instep, toe(0.84, 0.015), 0.018, 0.01),
  ];
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
      fill: 'skin' as const,
    })),
  }));
}

/** A segment on paper. */
export function capsule(segment: Segment, name: SegmentName, camera: Camera): Capsule {
  const [r1, r2] = RADII[name];
  return between(project(camera, segment.near), project(camera, segment.far), r1, r2);
}

function toneOf(ahead: number, side: Side): Tone {
  if (Math.abs(ahead) < 0.02) return side === 'right' ? 'near' : 'far';
  return ahead > 0 || side === 'right' ? 'near' : 'far';
}
