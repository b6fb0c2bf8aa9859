import type { Side } from './segments.ts';

/**
 * Joint angles in degrees as clinicians say them, by the neutral-zero method (AAOS 1965): all are
 * 0 in upright standing with the arms hanging, thumbs forward. Missing angles are 0.
 */
export interface LegAngles {
  readonly hipFlexion?: number;
  readonly hipAbduction?: number;
  /** Internal rotation is positive, external negative. */
  readonly hipRotation?: number;
  readonly kneeFlexion?: number;
  readonly ankleDorsiflexion?: number;
  readonly hindfootInversion?: number;
  /** Freedoms of laxity, drawn larger than life; see LAXITY_FACTOR. Millimetres, degrees. */
  readonly tibialTranslation?: number;
  readonly tibialRotation?: number;
  /** Opening of the inner side is positive (valgus), of the outer side negative (varus). */
  readonly kneeGap?: number;
  readonly talarTilt?: number;
  /** Outwards is positive, millimetres. */
  readonly kneecapShift?: number;
}

export interface ArmAngles {
  readonly shoulderFlexion?: number;
  readonly shoulderAbduction?: number;
  readonly shoulderHorizontalAdduction?: number;
  readonly shoulderRotation?: number;
  readonly elbowFlexion?: number;
  /** Pronation is positive, supination negative. */
  readonly forearmPronation?: number;
  readonly wristExtension?: number;
  readonly wristUlnarDeviation?: number;
}

export interface AxialAngles {
  readonly trunkFlexion?: number;
  /** Leaning to the right is positive. */
  readonly trunkSideBend?: number;
  /** Turning to the right is positive. */
  readonly trunkRotation?: number;
  readonly neckFlexion?: number;
}

export type LegAngle = keyof LegAngles;
export type ArmAngle = keyof ArmAngles;
export type AxialAngle = keyof AxialAngles;
export type JointAngle = LegAngle | ArmAngle | AxialAngle;

export interface Pose {
  readonly axial: AxialAngles;
  readonly legs: Readonly<Record<Side, LegAngles>>;
  readonly arms: Readonly<Record<Side, ArmAngles>>;
}

/** Laxity of a few millimetres or degrees would not be seen; it is drawn this many times larger. */
export const LAXITY_FACTOR = 3;

/**
 * The range of every joint that a drawing may use: normal motion (AAOS 1965; Norkin & White,
 * Measurement of Joint Motion, appendix; from memory), with what a lax or stiff joint adds.
 */
export const RANGES: Readonly<Record<JointAngle, readonly [number, number]>> = {
  hipFlexion: [-30, 130],
  hipAbduction: [-40, 50],
  hipRotation: [-60, 55],
  kneeFlexion: [-15, 150],
  // Under body weight the ankle bends further than on the couch.
  ankleDorsiflexion: [-55, 40],
  hindfootInversion: [-25, 40],
  tibialTranslation: [-15, 15],
  tibialRotation: [-40, 40],
  kneeGap: [-15, 15],
  talarTilt: [-5, 20],
  kneecapShift: [-15, 20],
  shoulderFlexion: [-60, 180],
  shoulderAbduction: [0, 180],
  shoulderHorizontalAdduction: [-45, 135],
  shoulderRotation: [-100, 90],
  elbowFlexion: [-15, 150],
  forearmPronation: [-90, 90],
  wristExtension: [-85, 75],
  wristUlnarDeviation: [-25, 45],
  trunkFlexion: [-25, 90],
  trunkSideBend: [-35, 35],
  trunkRotation: [-45, 45],
  neckFlexion: [-50, 50],
};

/** The angles that lie outside their joint's range, in words; empty for a pose a body can take. */
export function outsideRange(pose: Pose): string[] {
  const groups: [string, object][] = [
    ['', pose.axial],
    ['left ', pose.legs.left],
    ['right ', pose.legs.right],
    ['left ', pose.arms.left],
    ['right ', pose.arms.right],
  ];
  return groups.flatMap(([side, angles]) =>
    Object.entries(angles).flatMap(([name, value]) => {
      const [low, high] = RANGES[name as JointAngle];
      return value < low || value > high ? [`${side}${name} ${value}`] : [];
    }),
  );
}

/** A pose part of the way from one to another; every angle on its own, along its rotation. */
export function between(from: Pose, to: Pose, share: number): Pose {
  const mix = <T extends object>(a: T, b: T): T => {
    const names = new Set([...Object.keys(a), ...Object.keys(b)]);
    return Object.fromEntries(
      [...names].map((name) => {
        const [x, y] = [Number(Reflect.get(a, name) ?? 0), Number(Reflect.get(b, name) ?? 0)];
        return [name, x + share * (y - x)];
      }),
    ) as T;
  };
  return {
    axial: mix(from.axial, to.axial),
    legs: { left: mix(from.legs.left, to.legs.left), right: mix(from.legs.right, to.legs.right) },
    arms: { left: mix(from.arms.left, to.arms.left), right: mix(from.arms.right, to.arms.right) },
  };
}
