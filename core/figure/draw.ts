import { vec3 } from 'gl-matrix';
import { POSITIONS, rest } from './basePositions.ts';
import { cameraAlong, cameraFrom, project } from './camera.ts';
import type { Camera, Point } from './camera.ts';
import { describeFigure } from './describe.ts';
import type { Capsule, Drawing, Shape, Tone, XY } from './drawing.ts';
import { drawForces, drawHands } from './handsAndForces.ts';
import type { JointAngle } from './pose.ts';
import { angleKey, segmentOf } from './skeleton.ts';
import type { SeenAngle, Segment, Skeleton } from './skeleton.ts';
import { RADII, STATURE_CM } from './segments.ts';
import type { SegmentName, Side } from './segments.ts';
import type { FigureSpec, PoseSpec } from './spec.ts';

/** Turns about a segment's own length: where nothing bends at its end, only an inset shows them. */
const LENGTHWISE: readonly JointAngle[] = [
  'hipRotation',
  'tibialRotation',
  'shoulderRotation',
  'forearmPronation',
  'trunkRotation',
];

export interface DrawOptions {
  readonly side: Side;
  /** How far along the movement, 0 at the start, 1 at the end. The start stays as a ghost. */
  readonly share?: number;
}

/**
 * Draws a figure from its data: the body on its support, hands, forces, the deciding angle with
 * its band. Everything is computed for the right side; the left is the mirror image. The same
 * data gives the same drawing.
 */
export function drawFigure(spec: FigureSpec, { side, share = 1 }: DrawOptions): Drawing {
  const stepTop = (spec.props?.find((p) => p.kind === 'step')?.heightCm ?? 0) / STATURE_CM;
  const end = rest(spec.position, mixed(spec, share), stepTop);
  const start = spec.from ? rest(spec.position, spec.from, stepTop) : null;
  const decisive = spec.decides && end.skeleton.angles.get(angleKey(spec.decides.angle, 'right'));
  const camera = cameraFor(spec, end.skeleton, decisive);
  const shapes = [
    ...drawProps(spec, end.skeleton, camera, stepTop),
    ...(start && share > 0 ? drawGhost(start.skeleton, camera, spec) : []),
    ...drawBody(end.skeleton, camera, spec.region),
    ...drawForces(spec.forces, end.skeleton, camera),
    ...drawHands(spec.hands, end.skeleton, camera),
    ...(decisive && spec.decides && turnsInView(camera, decisive)
      ? drawAngle(decisive, spec.decides.band, camera)
      : []),
  ];
  const inset =
    decisive && spec.decides && !turnsInView(camera, decisive)
      ? drawInset(spec, end.skeleton, decisive)
      : null;
  const drawing = { ...framed(shapes), inset, text: describeFigure(spec, side) };
  return side === 'right' ? drawing : mirrored(drawing);
}

/** The pose at a share of the movement, in the words of a pose spec. */
function mixed({ from, pose }: FigureSpec, share: number): PoseSpec {
  if (!from || share >= 1) return pose;
  const parts = ['leg', 'otherLeg', 'arm', 'otherArm', 'axial'] as const;
  return Object.fromEntries(
    parts.map((part) => {
      const a: Record<string, number> = { ...from[part] };
      const b: Record<string, number> = { ...pose[part] };
      const names = new Set([...Object.keys(a), ...Object.keys(b)]);
      return [
        part,
        Object.fromEntries(
          [...names].map((name) => [name, (a[name] ?? 0) * (1 - share) + (b[name] ?? 0) * share]),
        ),
      ];
    }),
  );
}

/**
 * The view: square to the plane of the deciding angle. Turns about a segment's own length are
 * looked at along it only where the segment beyond shows them; else the plain view and an inset.
 */
function cameraFor(spec: FigureSpec, skeleton: Skeleton, decisive: SeenAngle | undefined): Camera {
  const plain = POSITIONS[spec.position].side;
  const pelvis = skeleton.axial.pelvis.frame;
  const front = vec3.transformQuat(vec3.create(), [1, 0, 0], pelvis);
  const head = vec3.transformQuat(vec3.create(), [0, 1, 0], pelvis);
  if (decisive && spec.decides && !spec.view && showsItself(spec, skeleton)) {
    const spare: vec3 = Math.abs(head[1]) > 0.5 ? front : [0, 0, -1];
    return unhidden(cameraAlong(decisive.axis, plain, spare), spec, skeleton);
  }
  switch (spec.view) {
    case 'front':
      // From the feet of somebody who lies, from the front of somebody who stands.
      return Math.abs(head[1]) > 0.5
        ? cameraFrom(front, [0, 1, 0])
        : cameraFrom(vec3.negate(vec3.create(), head), [0, 1, 0]);
    case 'above':
      return Math.abs(head[1]) > 0.5
        ? cameraFrom([0, 1, 0], front)
        : cameraFrom([0, 1, 0], [0, 0, -1]);
    case 'quarter':
      return cameraFrom([0.45, 0.35, 1], plain.up);
    default:
      return cameraFrom(plain.towards, plain.up);
  }
}

/** The view from the other end where the trunk would stand before the moving limb: a hand behind the back. */
function unhidden(camera: Camera, { decides }: FigureSpec, skeleton: Skeleton): Camera {
  const beyond = chainOf(decides?.angle ?? 'trunkFlexion')
    .slice(1)
    .map((name) => segmentOf(skeleton, name, 'right'));
  const { trunk } = skeleton.axial;
  const within = beyond.every(({ far }) => overTrunk(project(camera, far), trunk, camera));
  const behind = depthOf(camera, beyond) < depthOf(camera, [trunk]) - 0.02;
  return within && behind
    ? cameraFrom(vec3.negate(vec3.create(), camera.towards), camera.up)
    : camera;
}

/** Whether a point on paper lies where the trunk is drawn. */
function overTrunk({ x, y }: Point, trunk: Segment, camera: Camera): boolean {
  const [a, b] = [project(camera, trunk.near), project(camera, trunk.far)];
  const reach = 0.15;
  return (
    x > Math.min(a.x, b.x) - reach &&
    x < Math.max(a.x, b.x) + reach &&
    y > Math.min(a.y, b.y) - reach &&
    y < Math.max(a.y, b.y) + reach
  );
}

/** Whether the segment beyond the joint stands off the axis, so that the turn can be read from it. */
function showsItself(spec: FigureSpec, skeleton: Skeleton): boolean {
  const angle = spec.decides?.angle;
  if (!angle || !LENGTHWISE.includes(angle)) return true;
  const bend =
    angle === 'hipRotation' ? 'kneeFlexion' : angle === 'shoulderRotation' ? 'elbowFlexion' : null;
  return bend !== null && Math.abs(skeleton.angles.get(angleKey(bend, 'right'))?.degrees ?? 0) > 30;
}

function turnsInView(camera: Camera, seen: SeenAngle): boolean {
  return Math.abs(vec3.dot(camera.towards, seen.axis)) > 0.999;
}

const LIMBS: readonly { readonly side: Side; readonly chain: readonly SegmentName[] }[] = [
  { side: 'left', chain: ['upperArm', 'forearm', 'hand'] },
  { side: 'right', chain: ['upperArm', 'forearm', 'hand'] },
  { side: 'left', chain: ['thigh', 'shank', 'foot'] },
  { side: 'right', chain: ['thigh', 'shank', 'foot'] },
];

function drawBody(skeleton: Skeleton, camera: Camera, region: readonly SegmentName[]): Shape[] {
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
function extremity(skeleton: Skeleton, name: 'hand' | 'foot', side: Side, camera: Camera): Capsule {
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

function drawGhost(skeleton: Skeleton, camera: Camera, { region }: FigureSpec): Shape[] {
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

const RAY = 0.2;

/** The band as a sector, the direction of zero dashed, the angle as it is, and its degrees. */
function drawAngle(seen: SeenAngle, band: readonly [number, number], camera: Camera): Shape[] {
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

/** The limb that an angle belongs to, from the trunk outwards. */
function chainOf(angle: JointAngle): SegmentName[] {
  if (/^(shoulder|elbow|forearm|wrist)/.test(angle)) return ['upperArm', 'forearm', 'hand'];
  return /^(hip|knee|ankle|hindfoot|tibial|talar)/.test(angle)
    ? ['thigh', 'shank', 'foot']
    : ['trunk', 'head'];
}

/** A small drawing of the limb alone, square to the deciding angle where the main view is not. */
function drawInset(spec: FigureSpec, skeleton: Skeleton, seen: SeenAngle): Drawing['inset'] {
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

const COUCH_THICKNESS = 0.035;

function drawProps(spec: FigureSpec, skeleton: Skeleton, camera: Camera, stepTop: number): Shape[] {
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

/** The couch under what lies on it; over its edge hang shanks of somebody who sits. */
function couch(spec: FigureSpec, skeleton: Skeleton, camera: Camera, flatView: boolean): Shape {
  const { head, pelvis } = skeleton.axial;
  const sits = spec.position === 'sitting';
  const ends = sits
    ? [
        vec3.add(vec3.create(), pelvis.near, [-0.22, 0, 0]),
        vec3.add(vec3.create(), skeleton.limbs.left.thigh.far, [-0.035, 0, 0]),
      ]
    : [
        vec3.scaleAndAdd(
          vec3.create(),
          head.far,
          vec3.subtract(vec3.create(), head.far, pelvis.near),
          0.12,
        ),
        ...[skeleton.limbs.left.foot.far, skeleton.limbs.right.foot.far],
        vec3.scaleAndAdd(
          vec3.create(),
          pelvis.near,
          vec3.subtract(vec3.create(), pelvis.near, head.far),
          0.85,
        ),
      ];
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
      label: 'Couch',
    };
  }
  const corners = ends.flatMap((p) =>
    [-0.22, 0.22].map((z) => project(camera, vec3.fromValues(p[0], 0, z))),
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
    label: 'Couch',
  };
}

export function capsule(segment: Segment, name: SegmentName, camera: Camera): Capsule {
  const [r1, r2] = RADII[name];
  return between(project(camera, segment.near), project(camera, segment.far), r1, r2);
}

function between(a: Point, b: Point, r1: number, r2: number): Capsule {
  return { x1: a.x, y1: a.y, r1, x2: b.x, y2: b.y, r2 };
}

function depthOf(camera: Camera, segments: readonly Segment[]): number {
  const depths = segments.flatMap(({ near, far }) => [
    project(camera, near).depth,
    project(camera, far).depth,
  ]);
  return depths.reduce((sum, d) => sum + d, 0) / depths.length;
}

function toneOf(ahead: number, side: Side): Tone {
  if (Math.abs(ahead) < 0.02) return side === 'right' ? 'near' : 'far';
  return ahead > 0 || side === 'right' ? 'near' : 'far';
}

const MARGIN = 0.05;
/** The width that a letter takes on paper, in statures, and how far words reach from their anchor. */
const LETTER = 0.02;
const LABEL_REACH = { start: [0, 1], middle: [-0.5, 0.5], end: [-1, 0] } as const;

function framed(shapes: readonly Shape[]): { shapes: readonly Shape[]; box: Drawing['box'] } {
  const xs: number[] = [];
  const ys: number[] = [];
  const take = ([x, y]: XY, r = 0) => {
    xs.push(x - r, x + r);
    ys.push(y - r, y + r);
  };
  for (const shape of shapes) {
    switch (shape.kind) {
      case 'body':
        for (const p of shape.parts) {
          take([p.x1, p.y1], p.r1);
          take([p.x2, p.y2], p.r2);
        }
        break;
      case 'prop':
      case 'arrow':
      case 'sector':
        for (const point of shape.points) take(point);
        break;
      case 'ray':
        take(shape.to);
        break;
      case 'hand':
        take([shape.at[0] + shape.away[0] * 0.17, shape.at[1] + shape.away[1] * 0.17], 0.03);
        break;
      case 'label':
        for (const share of LABEL_REACH[shape.anchor]) {
          take([shape.at[0] + share * shape.text.length * LETTER, shape.at[1]], LETTER);
        }
        break;
      case 'towards-viewer':
        take(shape.at, 0.03);
        break;
      case 'face':
        break;
    }
  }
  const [l, b] = [Math.min(...xs) - MARGIN, Math.min(...ys) - MARGIN];
  // Words last, so that nothing covers them.
  const inOrder = [...shapes].sort(
    (x, y) => Number(x.kind === 'label') - Number(y.kind === 'label'),
  );
  return {
    shapes: inOrder,
    box: [l, b, Math.max(...xs) + MARGIN - l, Math.max(...ys) + MARGIN - b],
  };
}

/** The mirror image: every x turned round, and what was anchored left is anchored right. */
function mirrored(drawing: Drawing): Drawing {
  const flip = ([x, y]: XY): XY => [-x, y];
  const shapes = drawing.shapes.map((shape): Shape => {
    switch (shape.kind) {
      case 'body':
        return { ...shape, parts: shape.parts.map((p) => ({ ...p, x1: -p.x1, x2: -p.x2 })) };
      case 'face':
        return { ...shape, x: -shape.x, nose: shape.nose && flip(shape.nose) };
      case 'prop':
      case 'arrow':
        return { ...shape, points: shape.points.map(flip) };
      case 'sector':
        return { ...shape, centre: flip(shape.centre), points: shape.points.map(flip) };
      case 'ray':
        return { ...shape, from: flip(shape.from), to: flip(shape.to) };
      case 'hand':
        return { ...shape, at: flip(shape.at), away: flip(shape.away) };
      case 'towards-viewer':
        return { ...shape, at: flip(shape.at) };
      case 'label':
        return {
          ...shape,
          at: flip(shape.at),
          anchor: shape.anchor === 'start' ? 'end' : shape.anchor === 'end' ? 'start' : 'middle',
        };
    }
  });
  const [l, b, w, h] = drawing.box;
  return {
    ...drawing,
    shapes,
    box: [-l - w, b, w, h],
    inset: drawing.inset && { ...drawing.inset, drawing: mirrored(drawing.inset.drawing) },
  };
}
