/**
 * Lengths of body segments as fractions of stature, after Drillis & Contini (1966) as tabled in
 * Winter, Biomechanics and Motor Control of Human Movement.
 */
export const LENGTH = {
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  thigh: 0.245,
  shank: 0.246,
  foot: 0.152,
  ankleHeight: 0.039,
  shoulderHeight: 0.818,
  hipHeight: 0.53,
  halfShoulderWidth: 0.129,
  halfHipWidth: 0.0955,
  headHeight: 0.13,
} as const;

/** From the line of the hips to the line of the shoulders, and from there to the chin. */
export const TRUNK = LENGTH.shoulderHeight - LENGTH.hipHeight;
export const NECK = 1 - LENGTH.shoulderHeight - LENGTH.headHeight;
/** How much of the foot lies behind the ankle. */
export const HEEL = 0.25 * LENGTH.foot;

export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

export const LIMB_SEGMENTS = ['upperArm', 'forearm', 'hand', 'thigh', 'shank', 'foot'] as const;
export type LimbSegment = (typeof LIMB_SEGMENTS)[number];
export const AXIAL_SEGMENTS = ['pelvis', 'trunk', 'head'] as const;
export type AxialSegment = (typeof AXIAL_SEGMENTS)[number];
export type SegmentName = LimbSegment | AxialSegment;

/**
 * Radii at the near and the far end, as fractions of stature, for limbs that taper. Chosen by eye
 * so that a lying body rests on back, calf and heel at once.
 */
export const RADII: Readonly<Record<SegmentName, readonly [number, number]>> = {
  pelvis: [0.06, 0.06],
  trunk: [0.058, 0.064],
  head: [0.052, 0.056],
  upperArm: [0.03, 0.025],
  forearm: [0.025, 0.017],
  hand: [0.018, 0.012],
  thigh: [0.056, 0.036],
  shank: [0.036, 0.023],
  foot: [0.021, 0.013],
};

/** A stature that turns fractions into centimetres where a tolerance is said in centimetres. */
export const STATURE_CM = 175;
