import { quat, vec3 } from 'gl-matrix';
import { LAXITY_FACTOR } from './pose.ts';
import type { ArmAngles, JointAngle, LegAngles, Pose } from './pose.ts';
import { HEEL, LENGTH, NECK, SIDES, STATURE_CM, TRUNK } from './segments.ts';
import type { AxialSegment, LimbSegment, SegmentName, Side } from './segments.ts';

/** A segment in space: from its near to its far end, with the frame that its sides are named in. */
export interface Segment {
  readonly near: vec3;
  readonly far: vec3;
  /** Turns the segment's own axes (x front, y towards the head, z to the body's right) into space. */
  readonly frame: quat;
}

/** Where an angle is to be seen: in the plane about `axis` at `centre`, from `zero` to `pointer`. */
export interface SeenAngle {
  readonly centre: vec3;
  readonly axis: vec3;
  readonly zero: vec3;
  readonly pointer: vec3;
  readonly degrees: number;
}

export interface Skeleton {
  readonly axial: Readonly<Record<AxialSegment, Segment>>;
  readonly limbs: Readonly<Record<Side, Readonly<Record<LimbSegment, Segment>>>>;
  /** Every angle of every joint, as it stands. */
  readonly angles: ReadonlyMap<string, SeenAngle>;
}

const X = vec3.fromValues(1, 0, 0);
const Y = vec3.fromValues(0, 1, 0);
const Z = vec3.fromValues(0, 0, 1);
const DOWN = vec3.fromValues(0, -1, 0);
const BACK = vec3.fromValues(-1, 0, 0);

/** The name under which `Skeleton.angles` keeps an angle; those of the trunk have no side. */
export function angleKey(angle: JointAngle, side: Side): string {
  return /^(trunk|neck)/.test(angle) ? angle : `${side} ${angle}`;
}

export function segmentOf(skeleton: Skeleton, name: SegmentName, side: Side): Segment {
  if (name === 'pelvis' || name === 'trunk' || name === 'head') return skeleton.axial[name];
  return skeleton.limbs[side][name];
}

/**
 * Joint angles in, segments out: forward kinematics from the pelvis outwards, stature 1.
 *
 * Axes after ISB (Wu et al. 2002, 2005): x forward, y up, z to the right. Each joint turns its own
 * axes in one documented order, later ones about axes that the earlier ones have moved:
 *   hip flexion (z), abduction (x), rotation (y); knee flexion (z), gap (x), rotation (y);
 *   ankle dorsiflexion (z), inversion and talar tilt (x);
 *   shoulder horizontal adduction (y), flexion (z), abduction (x), rotation (y);
 *   elbow flexion (z), pronation (y); wrist extension (x), ulnar deviation (z);
 *   trunk flexion (z), side bend (x), rotation (y); neck flexion (z).
 * The left side is the mirror image: turns about x and y change their sign.
 * `root` is the frame of the pelvis, `origin` its place. Turns of the trunk count towards the right.
 */
export function skeletonOf(pose: Pose, root: quat, origin: vec3): Skeleton {
  const angles = new Map<string, SeenAngle>();
  const { axial } = pose;
  const trunk = new Joint(root, origin)
    .turn(Z, -(axial.trunkFlexion ?? 0), 'trunkFlexion', Y, axial.trunkFlexion ?? 0)
    .turn(X, axial.trunkSideBend ?? 0, 'trunkSideBend', Y, axial.trunkSideBend ?? 0)
    .turn(Y, -(axial.trunkRotation ?? 0), 'trunkRotation', X, axial.trunkRotation ?? 0);
  const shoulders = along(origin, trunk.frame, Y, TRUNK);
  const neck = new Joint(trunk.frame, shoulders).turn(
    Z,
    -(axial.neckFlexion ?? 0),
    'neckFlexion',
    Y,
    axial.neckFlexion ?? 0,
  );
  const chin = along(shoulders, neck.frame, Y, NECK);
  for (const joint of [trunk, neck]) for (const [name, seen] of joint.seen) angles.set(name, seen);
  const limbs = Object.fromEntries(
    SIDES.map((side) => {
      const right = side === 'right' ? 1 : -1;
      const hip = along(origin, root, Z, right * LENGTH.halfHipWidth);
      const shoulder = along(shoulders, trunk.frame, Z, right * LENGTH.halfShoulderWidth);
      const leg = legOf(pose.legs[side], root, hip, right);
      const arm = armOf(pose.arms[side], trunk.frame, shoulder, right);
      for (const [name, seen] of [...leg.seen, ...arm.seen]) {
        angles.set(angleKey(name as JointAngle, side), seen);
      }
      return [side, { ...leg.segments, ...arm.segments }];
    }),
  ) as Record<Side, Record<LimbSegment, Segment>>;
  return {
    axial: {
      pelvis: {
        near: along(origin, root, Z, -0.6 * LENGTH.halfHipWidth),
        far: along(origin, root, Z, 0.6 * LENGTH.halfHipWidth),
        frame: root,
      },
      trunk: {
        near: along(origin, root, Y, 0.03),
        far: along(shoulders, trunk.frame, Y, -0.04),
        frame: trunk.frame,
      },
      head: {
        near: along(chin, neck.frame, Y, 0.045),
        far: along(chin, neck.frame, Y, LENGTH.headHeight - 0.055),
        frame: neck.frame,
      },
    },
    limbs,
    angles,
  };
}

function legOf(leg: LegAngles, pelvis: quat, hip: vec3, right: number) {
  const knee = leg.kneeFlexion ?? 0;
  // Rotation of the thigh is read from the shank where the knee is bent, else from the kneecap.
  const rotationPointer = Math.abs(knee) > 30 ? BACK : X;
  const thigh = new Joint(pelvis, hip)
    .turn(Z, leg.hipFlexion ?? 0, 'hipFlexion', DOWN)
    .turn(X, -right * (leg.hipAbduction ?? 0), 'hipAbduction', DOWN, leg.hipAbduction ?? 0)
    .turn(Y, right * (leg.hipRotation ?? 0), 'hipRotation', rotationPointer, leg.hipRotation ?? 0);
  const kneeAt = along(hip, thigh.frame, DOWN, LENGTH.thigh);
  const gap = LAXITY_FACTOR * (leg.kneeGap ?? 0);
  const shank = new Joint(thigh.frame, kneeAt)
    .turn(Z, -knee, 'kneeFlexion', DOWN, knee)
    .turn(X, -right * gap, 'kneeGap', DOWN, leg.kneeGap ?? 0)
    .turn(Y, right * (leg.tibialRotation ?? 0), 'tibialRotation', X, leg.tibialRotation ?? 0);
  const shift = (LAXITY_FACTOR * (leg.tibialTranslation ?? 0)) / 10 / STATURE_CM;
  const shin = along(kneeAt, shank.frame, X, shift);
  const ankleAt = along(shin, shank.frame, DOWN, LENGTH.shank);
  const tilt = (leg.hindfootInversion ?? 0) + LAXITY_FACTOR * (leg.talarTilt ?? 0);
  const foot = new Joint(shank.frame, ankleAt)
    .turn(Z, leg.ankleDorsiflexion ?? 0, 'ankleDorsiflexion', X)
    .turn(X, right * tilt, 'hindfootInversion', DOWN, tilt);
  const sole = along(ankleAt, foot.frame, DOWN, LENGTH.ankleHeight - 0.017);
  const segments = {
    thigh: { near: hip, far: kneeAt, frame: thigh.frame },
    shank: { near: shin, far: ankleAt, frame: shank.frame },
    foot: {
      near: along(sole, foot.frame, X, -HEEL),
      far: along(sole, foot.frame, X, LENGTH.foot - HEEL),
      frame: foot.frame,
    },
  };
  return { segments, seen: [...thigh.seen, ...shank.seen, ...foot.seen] };
}

function armOf(arm: ArmAngles, trunk: quat, shoulder: vec3, right: number) {
  const upper = new Joint(trunk, shoulder)
    .turn(
      Y,
      right * (arm.shoulderHorizontalAdduction ?? 0),
      'shoulderHorizontalAdduction',
      vec3.fromValues(0, 0, right),
      arm.shoulderHorizontalAdduction ?? 0,
    )
    .turn(Z, arm.shoulderFlexion ?? 0, 'shoulderFlexion', DOWN)
    .turn(
      X,
      -right * (arm.shoulderAbduction ?? 0),
      'shoulderAbduction',
      DOWN,
      arm.shoulderAbduction ?? 0,
    )
    .turn(Y, right * (arm.shoulderRotation ?? 0), 'shoulderRotation', X, arm.shoulderRotation ?? 0);
  const elbow = along(shoulder, upper.frame, DOWN, LENGTH.upperArm);
  const fore = new Joint(upper.frame, elbow)
    .turn(Z, arm.elbowFlexion ?? 0, 'elbowFlexion', DOWN)
    .turn(Y, right * (arm.forearmPronation ?? 0), 'forearmPronation', X, arm.forearmPronation ?? 0);
  const wrist = along(elbow, fore.frame, DOWN, LENGTH.forearm);
  const hand = new Joint(fore.frame, wrist)
    .turn(X, -right * (arm.wristExtension ?? 0), 'wristExtension', DOWN, arm.wristExtension ?? 0)
    .turn(
      Z,
      -(arm.wristUlnarDeviation ?? 0),
      'wristUlnarDeviation',
      DOWN,
      arm.wristUlnarDeviation ?? 0,
    );
  const segments = {
    upperArm: { near: shoulder, far: elbow, frame: upper.frame },
    forearm: { near: elbow, far: wrist, frame: fore.frame },
    hand: {
      near: wrist,
      far: along(wrist, hand.frame, DOWN, LENGTH.hand * 0.85),
      frame: hand.frame,
    },
  };
  return { segments, seen: [...upper.seen, ...fore.seen, ...hand.seen] };
}

/** A joint as it takes its turns one after the other, remembering where each is to be seen. */
class Joint {
  readonly seen: [string, SeenAngle][] = [];
  frame: quat;

  constructor(
    proximal: quat,
    private readonly centre: vec3,
  ) {
    this.frame = quat.clone(proximal);
  }

  /** Turns about one of its own axes by signed degrees; `said` is the angle as the clinician says it. */
  turn(axis: vec3, degrees: number, name: string, pointer: vec3, said = degrees): this {
    const before = quat.clone(this.frame);
    quat.multiply(
      this.frame,
      this.frame,
      quat.setAxisAngle(quat.create(), axis, (degrees * Math.PI) / 180),
    );
    this.seen.push([
      name,
      {
        centre: this.centre,
        axis: vec3.transformQuat(vec3.create(), axis, before),
        zero: vec3.transformQuat(vec3.create(), pointer, before),
        pointer: vec3.transformQuat(vec3.create(), pointer, this.frame),
        degrees: said,
      },
    ]);
    return this;
  }
}

/** The point that lies `distance` from `from` along one of the frame's own directions. */
export function along(from: vec3, frame: quat, direction: vec3, distance: number): vec3 {
  return vec3.scaleAndAdd(
    vec3.create(),
    from,
    vec3.transformQuat(vec3.create(), direction, frame),
    distance,
  );
}
