import { quat, vec3 } from 'gl-matrix';
import type { LegAngles, Pose } from './pose.ts';
import { skeletonOf } from './skeleton.ts';
import type { Skeleton } from './skeleton.ts';
import { LENGTH, RADII, SIDES } from './segments.ts';
import type { SegmentName, Side } from './segments.ts';
import type { BasePositionName, PoseSpec } from './spec.ts';

/** Which of the body's parts must touch the support. */
interface Rest {
  readonly segment: SegmentName;
  readonly side?: Side;
}

export interface BasePosition {
  readonly words: string;
  readonly support: 'couch' | 'floor';
  readonly root: quat;
  /** The way to the viewer and the way up of the plain view from the side. */
  readonly side: { readonly towards: vec3; readonly up: vec3 };
  readonly pose: PoseSpec;
  /** What carries the body, and so decides the height at which it lies. */
  readonly rests: readonly Rest[];
  /** Soles stay flat on the support: hip and ankle follow from the knee. */
  readonly flatFeet?: boolean;
}

/** The turn that lays the pelvis' own axes along three directions of space. */
function facing(front: vec3, up: vec3): quat {
  const right = vec3.cross(vec3.create(), front, up);
  const columns = [...front, ...up, ...right] as unknown as Parameters<typeof quat.fromMat3>[1];
  return quat.normalize(quat.create(), quat.fromMat3(quat.create(), columns));
}

const v = (x: number, y: number, z: number) => vec3.fromValues(x, y, z);
const both = (leg: LegAngles): PoseSpec => ({ leg, otherLeg: leg });
const ARMS_AT_SIDE = { shoulderAbduction: 8 };
const LAP = { shoulderFlexion: 25, elbowFlexion: 45, shoulderAbduction: 6 };
/** Hands on the back of a chair. */
const REACHING_FORWARD = { shoulderFlexion: 55, elbowFlexion: 40, shoulderAbduction: 4 };
const FROM_RIGHT = { towards: v(0, 0, 1), up: v(0, 1, 0) };
const LYING_ARMS = {
  arm: { ...ARMS_AT_SIDE, shoulderFlexion: -7 },
  otherArm: { ...ARMS_AT_SIDE, shoulderFlexion: -7 },
};
const HANGING_ARMS = { arm: ARMS_AT_SIDE, otherArm: ARMS_AT_SIDE };

/** The positions that a procedure starts from. The tested side is the right one throughout. */
export const POSITIONS: Readonly<Record<BasePositionName, BasePosition>> = {
  supine: {
    words: 'Lying on the back',
    support: 'couch',
    root: facing(v(0, 1, 0), v(-1, 0, 0)),
    side: FROM_RIGHT,
    pose: LYING_ARMS,
    rests: [{ segment: 'pelvis' }, { segment: 'trunk' }],
  },
  'hook-lying': {
    words: 'Lying on the back, feet flat on the couch',
    support: 'couch',
    root: facing(v(0, 1, 0), v(-1, 0, 0)),
    side: FROM_RIGHT,
    pose: { ...both({ kneeFlexion: 90 }), ...LYING_ARMS },
    rests: [{ segment: 'pelvis' }, { segment: 'trunk' }],
    flatFeet: true,
  },
  prone: {
    words: 'Lying face down',
    support: 'couch',
    root: facing(v(0, -1, 0), v(1, 0, 0)),
    side: FROM_RIGHT,
    pose: {
      ...both({ kneeFlexion: 4, ankleDorsiflexion: -50 }),
      arm: { shoulderAbduction: 12 },
      otherArm: { shoulderAbduction: 12 },
    },
    rests: [{ segment: 'pelvis' }, { segment: 'trunk' }],
  },
  'side-lying': {
    words: 'Lying on the untested side',
    support: 'couch',
    root: facing(v(0, 0, -1), v(-1, 0, 0)),
    side: { towards: v(0, 0, 1), up: v(0, 1, 0) },
    pose: {
      otherLeg: { hipFlexion: 40, kneeFlexion: 60 },
      arm: { shoulderFlexion: 40, elbowFlexion: 50 },
      otherArm: { shoulderFlexion: 80, elbowFlexion: 80 },
    },
    rests: [
      { segment: 'thigh', side: 'left' },
      { segment: 'upperArm', side: 'left' },
    ],
  },
  'long-sitting': {
    words: 'Sitting with the legs along the couch',
    support: 'couch',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: { ...both({ hipFlexion: 90 }), arm: LAP, otherArm: LAP },
    rests: [{ segment: 'pelvis' }],
  },
  sitting: {
    words: 'Sitting over the edge',
    support: 'couch',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: { ...both({ hipFlexion: 88, kneeFlexion: 88 }), arm: LAP, otherArm: LAP },
    rests: [{ segment: 'pelvis' }, { segment: 'thigh', side: 'left' }],
  },
  standing: {
    words: 'Standing',
    support: 'floor',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: HANGING_ARMS,
    rests: [
      { segment: 'foot', side: 'left' },
      { segment: 'foot', side: 'right' },
    ],
    flatFeet: true,
  },
  'single-leg-standing': {
    words: 'Standing on the tested leg',
    support: 'floor',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: { ...HANGING_ARMS, otherLeg: { hipFlexion: 5, kneeFlexion: 70 } },
    rests: [{ segment: 'foot', side: 'right' }],
    flatFeet: true,
  },
  lunge: {
    words: 'Standing in a lunge, the tested foot in front',
    support: 'floor',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: {
      leg: { hipFlexion: 34, kneeFlexion: 70, ankleDorsiflexion: 36 },
      otherLeg: { hipFlexion: -26, kneeFlexion: 28, ankleDorsiflexion: 32 },
      arm: { shoulderFlexion: 8, elbowFlexion: 15, shoulderAbduction: 8 },
      otherArm: { shoulderFlexion: 8, elbowFlexion: 15, shoulderAbduction: 8 },
    },
    rests: [{ segment: 'foot', side: 'right' }],
  },
  kneeling: {
    words: 'Kneeling on a chair, feet free',
    support: 'couch',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: {
      ...both({ kneeFlexion: 88, ankleDorsiflexion: -25 }),
      arm: REACHING_FORWARD,
      otherArm: REACHING_FORWARD,
    },
    rests: [
      { segment: 'shank', side: 'left' },
      { segment: 'shank', side: 'right' },
    ],
  },
  'on-step': {
    words: 'Standing on a step',
    support: 'floor',
    root: facing(v(1, 0, 0), v(0, 1, 0)),
    side: FROM_RIGHT,
    pose: HANGING_ARMS,
    rests: [{ segment: 'foot', side: 'right' }],
    flatFeet: true,
  },
};

/** The pose of the whole body: the base position with what a procedure changes of it. */
export function poseIn(name: BasePositionName, spec: PoseSpec): Pose {
  const position = POSITIONS[name];
  return withFlatFeet(position, poseOf(position.pose, spec), spec);
}

/** A body laid on its support, whose top is at height 0 (of a step: `stepTop`). */
export function layDown(name: BasePositionName, pose: Pose, stepTop = 0): Skeleton {
  const { root, rests, support } = POSITIONS[name];
  const skeleton = skeletonOf(pose, root, vec3.create());
  const lowest = Math.min(...rests.map((part) => lowestOf(skeleton, part)));
  return skeletonOf(pose, root, v(0, (support === 'floor' ? stepTop : 0) - lowest, 0));
}

/** A base position as a procedure changes it, laid on its support. */
export function rest(
  name: BasePositionName,
  spec: PoseSpec,
  stepTop = 0,
): { skeleton: Skeleton; pose: Pose } {
  const pose = poseIn(name, spec);
  return { pose, skeleton: layDown(name, pose, stepTop) };
}

/** The lowest point of a part of the body, as its capsule has it. */
export function lowestOf(skeleton: Skeleton, { segment, side = 'right' }: Rest): number {
  const own =
    segment === 'pelvis' || segment === 'trunk' || segment === 'head'
      ? skeleton.axial[segment]
      : skeleton.limbs[side][segment];
  const [near, far] = RADII[segment];
  return Math.min(own.near[1] - near, own.far[1] - far);
}

function poseOf(base: PoseSpec, spec: PoseSpec): Pose {
  return {
    axial: { ...base.axial, ...spec.axial },
    legs: {
      right: { ...base.leg, ...spec.leg },
      left: { ...base.otherLeg, ...spec.otherLeg },
    },
    arms: {
      right: { ...base.arm, ...spec.arm },
      left: { ...base.otherArm, ...spec.otherArm },
    },
  };
}

/**
 * Where soles stay flat, the hip follows from the knee (lying: the ankle must come down to the
 * couch; standing: the ankle stays under the hip), and the ankle makes the sole level again. A leg
 * whose hip or ankle the procedure sets itself is left alone.
 */
function withFlatFeet(position: BasePosition, pose: Pose, spec: PoseSpec): Pose {
  if (!position.flatFeet) return pose;
  const set = { right: spec.leg, left: spec.otherLeg };
  const legs = Object.fromEntries(
    SIDES.map((side) => {
      const leg = pose.legs[side];
      const standing = position.support === 'floor';
      const carries = !standing || position.rests.some((part) => part.side === side);
      if (!carries || set[side]?.hipFlexion !== undefined) return [side, leg];
      const knee = leg.kneeFlexion ?? 0;
      const hipFlexion = standing ? hipOver(knee) : hipForSole(knee);
      const level = standing ? knee - hipFlexion : knee - hipFlexion - 90;
      return [side, { ...leg, hipFlexion, ankleDorsiflexion: leg.ankleDorsiflexion ?? level }];
    }),
  ) as Record<Side, LegAngles>;
  return { ...pose, legs };
}

const degrees = (radians: number) => (radians * 180) / Math.PI;
const radians = (angle: number) => (angle * Math.PI) / 180;

/** Standing: the hip angle that keeps the ankle below the hip with the knee bent. */
function hipOver(knee: number): number {
  const k = radians(knee);
  return degrees(Math.atan2(LENGTH.shank * Math.sin(k), LENGTH.thigh + LENGTH.shank * Math.cos(k)));
}

/** Lying: the hip angle at which the sole of a leg bent at the knee just reaches the couch. */
function hipForSole(knee: number): number {
  const k = radians(knee);
  const above = (h: number) =>
    RADII.pelvis[0] +
    LENGTH.thigh * Math.sin(h) -
    LENGTH.shank * Math.sin(k - h) -
    LENGTH.ankleHeight;
  // The shank comes down from the knee at the angle knee - hip to the couch.
  let low = 0;
  let high = k;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (above(middle) > 0) high = middle;
    else low = middle;
  }
  return degrees((low + high) / 2);
}
