import type { ArmAngles, AxialAngles, JointAngle, LegAngles } from './pose.ts';
import type { SegmentName } from './segments.ts';

export const BASE_POSITIONS = [
  'supine',
  'hook-lying',
  'prone',
  'side-lying',
  'long-sitting',
  'sitting',
  'standing',
  'single-leg-standing',
  'lunge',
  'kneeling',
  'on-step',
] as const;
export type BasePositionName = (typeof BASE_POSITIONS)[number];

/** What a pose changes of its base position; the tested side is `leg`, `arm`, the other `otherLeg`. */
export interface PoseSpec {
  readonly leg?: LegAngles;
  readonly otherLeg?: LegAngles;
  readonly arm?: ArmAngles;
  readonly otherArm?: ArmAngles;
  readonly axial?: AxialAngles;
}

/** The sides of a segment as anatomy names them, in the segment's own frame. */
export const SURFACES = ['front', 'back', 'inner', 'outer', 'above', 'below'] as const;
export type Surface = (typeof SURFACES)[number];

/** A place on the body: a segment, how far along it from its near end (0 to 1), and which side of it. */
export interface Place {
  readonly segment: SegmentName;
  readonly at: number;
  readonly surface: Surface;
  /** On the other, untested limb. */
  readonly other?: boolean;
}

export const HAND_ROLES = ['holds', 'moves', 'feels'] as const;
export type HandRole = (typeof HAND_ROLES)[number];

/** An examiner's hand: it holds still, moves, or feels, and it follows the limb. */
export interface HandSpec extends Place {
  readonly role: HandRole;
}

interface ForceBase extends Place {
  /** The patient's own effort is drawn dashed. */
  readonly byPatient?: boolean;
}
/** A push or pull towards a side of the segment. */
export interface StraightForce extends ForceBase {
  readonly kind: 'straight';
  readonly towards: Surface;
}
/** A turn about the segment's long axis, inwards (internal, pronation) or outwards. */
export interface TurningForce extends ForceBase {
  readonly kind: 'turn';
  readonly towards: 'inwards' | 'outwards';
}
/** A facing pair along the segment presses it together, a parting pair pulls it apart. */
export interface AxialForce extends ForceBase {
  readonly kind: 'compress' | 'distract';
}
export type ForceSpec = StraightForce | TurningForce | AxialForce;

export type PropSpec =
  /** Lies under this part of the tested limb. */
  | {
      readonly kind: 'bolster';
      readonly under: { readonly segment: SegmentName; readonly at: number };
    }
  | { readonly kind: 'step'; readonly heightCm: number }
  | { readonly kind: 'wall' | 'pole' }
  /** A measuring tape from landmark to landmark, over the body. */
  | { readonly kind: 'tape'; readonly from: Place; readonly to: Place };

/** Parts too small for the drawing of a whole body. */
export const CLOSE_UPS = ['kneecap', 'ankle', 'toes', 'wrist', 'fingers'] as const;
export type CloseUpName = (typeof CLOSE_UPS)[number];

/** Everything a drawing is made from. Angles in degrees, for the tested side unless said otherwise. */
export interface FigureSpec {
  readonly position: BasePositionName;
  /** The end of the movement, or the only pose. */
  readonly pose: PoseSpec;
  /** The start of the movement, where there is one. */
  readonly from?: PoseSpec;
  /** The angle that decides, with the accepted band; the view is square to its plane. */
  readonly decides?: { readonly angle: JointAngle; readonly band: readonly [number, number] };
  readonly hands: readonly HandSpec[];
  readonly forces: readonly ForceSpec[];
  readonly props?: readonly PropSpec[];
  /** The parts that the procedure is about, tinted. */
  readonly region: readonly SegmentName[];
  readonly view?: 'side' | 'front' | 'above' | 'quarter';
  /** What is shown once more beside the whole, larger and with its own small parts. */
  readonly closeUp?: CloseUpName;
}
