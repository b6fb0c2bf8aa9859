import { quat, vec3 } from 'gl-matrix';
import { capsule } from './body.ts';
import { between, cameraFrom, project } from './camera.ts';
import type { Camera } from './camera.ts';
import type { BodyPart, Detail, Shape } from './drawing.ts';
import { drawForces, drawHands } from './handsAndForces.ts';
import { POSITIONS } from './basePositions.ts';
import { LAXITY_FACTOR } from './pose.ts';
import { STATURE_CM } from './segments.ts';
import type { SegmentName } from './segments.ts';
import type { Segment, Skeleton } from './skeleton.ts';
import type { CloseUpName, FigureSpec } from './spec.ts';
import type { DetailView } from './view.ts';

/** A ball of a part: where it lies in its segment's own frame, and how thick it is, in statures. */
type Ball = readonly [front: number, up: number, outward: number, r: number];
/** Balls in a row, each joined to the next. */
type Strand = readonly Ball[];

interface CloseUp {
  readonly title: string;
  /** The segments of the limb that are drawn as in the whole. */
  readonly plain: readonly SegmentName[];
  readonly centre: (limb: Skeleton['limbs']['right']) => vec3;
  /** Half the width of what is shown, in statures. */
  readonly half: number;
}

const CLOSE_UPS: Readonly<Record<CloseUpName, CloseUp>> = {
  kneecap: {
    title: 'The kneecap',
    plain: ['thigh', 'shank'],
    centre: ({ shank }) => shank.near,
    half: 0.125,
  },
  ankle: {
    title: 'The ankle',
    plain: ['shank'],
    centre: ({ shank, foot }) => vec3.lerp(vec3.create(), shank.far, foot.far, 0.25),
    half: 0.115,
  },
  toes: {
    title: 'The forefoot',
    plain: ['shank'],
    centre: ({ foot }) => vec3.lerp(vec3.create(), foot.near, foot.far, 0.65),
    half: 0.1,
  },
  wrist: {
    title: 'The wrist',
    plain: ['forearm'],
    centre: ({ hand }) => vec3.lerp(vec3.create(), hand.near, hand.far, 0.2),
    half: 0.11,
  },
  fingers: {
    title: 'The fingers',
    plain: ['forearm'],
    centre: ({ hand }) => vec3.lerp(vec3.create(), hand.near, hand.far, 0.6),
    half: 0.09,
  },
};

/** Palm, fingers and thumb, from the wrist; the palm looks inwards, the thumb forwards. */
const HAND: readonly Strand[] = [
  [
    [-0.008, -0.006, 0, 0.016],
    [-0.013, -0.048, 0, 0.0105],
  ],
  [
    [0.006, -0.006, 0, 0.016],
    [0.012, -0.048, 0, 0.0105],
  ],
  [
    [-0.017, -0.046, 0, 0.0075],
    [-0.021, -0.08, -0.003, 0.0055],
  ],
  [
    [-0.006, -0.048, 0, 0.008],
    [-0.008, -0.094, -0.003, 0.006],
  ],
  [
    [0.006, -0.048, 0, 0.008],
    [0.006, -0.1, -0.003, 0.006],
  ],
  [
    [0.016, -0.046, 0, 0.008],
    [0.019, -0.092, -0.003, 0.006],
  ],
  [
    [0.012, -0.014, -0.006, 0.0115],
    [0.033, -0.038, -0.012, 0.009],
    [0.038, -0.064, -0.014, 0.0065],
  ],
];

/** Heel, instep, outer border and toes, from the heel forwards; the big toe lies inwards. */
const FOOT: readonly Strand[] = [
  [
    [0.006, 0.003, 0, 0.021],
    [0.042, 0.016, 0, 0.0235],
  ],
  [
    [0.046, 0.026, 0, 0.021],
    [0.106, -0.002, -0.006, 0.0145],
  ],
  [
    [0.02, -0.002, 0.005, 0.018],
    [0.1, -0.006, 0.016, 0.011],
  ],
  [
    [0.108, -0.004, -0.014, 0.0125],
    [0.147, -0.007, -0.015, 0.0095],
  ],
  [
    [0.112, -0.006, -0.002, 0.0085],
    [0.147, -0.01, -0.002, 0.0065],
  ],
  [
    [0.11, -0.006, 0.007, 0.008],
    [0.14, -0.01, 0.008, 0.006],
  ],
  [
    [0.106, -0.007, 0.015, 0.0075],
    [0.132, -0.01, 0.017, 0.006],
  ],
  [
    [0.1, -0.007, 0.022, 0.0075],
    [0.123, -0.01, 0.025, 0.0055],
  ],
];
/** The outer ankle lies lower and further back than the inner. From the ankle, in the shin's frame. */
const OUTER_ANKLE: Strand = [
  [-0.006, 0.012, 0.019, 0.0105],
  [-0.006, -0.006, 0.02, 0.0095],
];
const INNER_ANKLE: Strand = [
  [0.002, 0.014, -0.018, 0.0105],
  [0.003, 0.002, -0.019, 0.0095],
];
/** The kneecap, from the joint, in a frame half way between thigh and shin. */
const KNEECAP: Strand = [
  [0.033, 0.013, 0, 0.0145],
  [0.034, -0.012, 0, 0.011],
];

/** A close-up of a small part, as the whole is looked at, with the hands and forces that act on it. */
export function closeUpOf(
  spec: FigureSpec,
  name: CloseUpName,
  goal: Skeleton,
  whole: Camera,
): DetailView {
  const { title, plain, centre, half } = CLOSE_UPS[name];
  const camera = unlessEndOn(whole, goal.limbs.right[plain[0] as 'shank'], spec);
  const at = (skeleton: Skeleton): Detail => {
    const limb = skeleton.limbs.right;
    const middle = project(camera, centre(limb));
    const fillOf = (segment: SegmentName) => (spec.region.includes(segment) ? 'tinted' : 'skin');
    const plainParts = plain.map((segment): BodyPart => ({
      ...capsule(limb[segment as 'shank'], segment, camera),
      fill: fillOf(segment),
    }));
    const strands = (rows: readonly Strand[], origin: vec3, frame: quat, fill: BodyPart['fill']) =>
      rows.flatMap((row) =>
        strandOn(row, origin, frame, camera).map((part) => ({ ...part, fill })),
      );
    const shapes: Shape[] = [];
    const add = (...parts: BodyPart[]) => {
      if (parts.length > 0) shapes.push({ kind: 'body', tone: 'near', parts });
    };
    switch (name) {
      case 'kneecap': {
        add(...plainParts);
        const frame = quat.slerp(quat.create(), limb.thigh.frame, limb.shank.frame, 0.5);
        const shift = (spec.pose.leg?.kneecapShift ?? 0) * LAXITY_FACTOR;
        const cap = KNEECAP.map(([x, y, z, r]): Ball => [x, y, z + shift / 10 / STATURE_CM, r]);
        if (looks(camera, frame, [1, 0, 0]) > -0.3) {
          add(...strands([cap], limb.thigh.far, frame, 'tinted'));
        }
        break;
      }
      case 'ankle':
      case 'toes': {
        add(...plainParts, ...strands(FOOT, limb.foot.near, limb.foot.frame, fillOf('foot')));
        for (const [knob, way] of [
          [OUTER_ANKLE, 1],
          [INNER_ANKLE, -1],
        ] as const) {
          if (looks(camera, limb.shank.frame, [0, 0, way]) > 0.3) {
            add(...strands([knob], limb.shank.far, limb.shank.frame, fillOf('shank')));
          }
        }
        break;
      }
      case 'wrist':
      case 'fingers':
        add(
          ...plainParts,
          ...strands(HAND.slice(0, 2), limb.hand.near, limb.hand.frame, fillOf('hand')),
        );
        for (const finger of inDepth(HAND.slice(2), limb.hand, camera)) {
          add(...strands([finger], limb.hand.near, limb.hand.frame, fillOf('hand')));
        }
    }
    shapes.push(
      ...drawForces(spec.forces, skeleton, camera),
      // The whole names the hands; here their shape tells them apart, and the part shows through.
      ...drawHands(spec.hands, skeleton, camera).flatMap((shape) =>
        shape.kind === 'hand' ? [{ ...shape, faint: true }] : [],
      ),
    );
    return { title, shapes, box: [middle.x - half, middle.y - half, 2 * half, 2 * half] };
  };
  return { at, follows: true };
}

/** The view of the whole, unless the limb would point at the viewer: then from its side. */
function unlessEndOn(whole: Camera, limb: Segment, { position }: FigureSpec): Camera {
  const length = vec3.normalize(vec3.create(), vec3.subtract(vec3.create(), limb.far, limb.near));
  if (Math.abs(vec3.dot(length, whole.towards)) < 0.8) return whole;
  const outward = vec3.transformQuat(vec3.create(), [0, 0, 1], limb.frame);
  return cameraFrom(outward, POSITIONS[position].side.up);
}

/** How far a direction of a segment's own frame looks at the viewer: 1 straight at, -1 away. */
function looks(camera: Camera, frame: quat, own: readonly [number, number, number]): number {
  return vec3.dot(vec3.transformQuat(vec3.create(), [...own], frame), camera.towards);
}

function strandOn(row: Strand, origin: vec3, frame: quat, camera: Camera) {
  const balls = row.map(([x, y, z, r]) => {
    const at = vec3.transformQuat(vec3.create(), [x, y, z], frame);
    return { at: project(camera, vec3.add(at, at, origin)), r };
  });
  return balls.slice(1).map((ball, i) => {
    const before = balls[i] ?? ball;
    return between(before.at, ball.at, before.r, ball.r);
  });
}

/** Fingers from the one furthest from the viewer to the nearest. */
function inDepth(rows: readonly Strand[], { frame }: Segment, camera: Camera): Strand[] {
  const depth = ([first]: Strand) =>
    first ? looks(camera, frame, [first[0], first[1], first[2]]) : 0;
  return [...rows].sort((one, two) => depth(one) - depth(two));
}
