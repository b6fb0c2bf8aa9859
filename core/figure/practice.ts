import type { JointAngle } from './pose.ts';
import type { FigureSpec, HandSpec, PoseSpec } from './spec.ts';

/** Which part of a pose spec holds an angle of the tested side. */
export function partOf(angle: JointAngle): 'leg' | 'arm' | 'axial' {
  if (/^(hip|knee|ankle|hindfoot|tibial|talar)/.test(angle)) return 'leg';
  return /^(trunk|neck)/.test(angle) ? 'axial' : 'arm';
}

/** The same figure with the deciding angle set otherwise, and without its band: a question. */
export function asQuestion(
  spec: FigureSpec,
  degrees: number,
  hands: readonly HandSpec[],
): FigureSpec {
  if (!spec.decides) return { ...spec, hands };
  const part = partOf(spec.decides.angle);
  const pose: PoseSpec = {
    ...spec.pose,
    [part]: { ...spec.pose[part], [spec.decides.angle]: degrees },
  };
  return {
    position: spec.position,
    pose,
    hands,
    forces: [],
    region: spec.region,
    ...(spec.props ? { props: spec.props } : {}),
    ...(spec.view ? { view: spec.view } : {}),
  };
}

export interface Answered {
  readonly angle: 'inside' | 'near' | 'outside' | null;
  /** How far the angle lies outside the band, in degrees; 0 inside. */
  readonly off: number;
  readonly hands: readonly boolean[];
}

/** Within this many degrees of the band an angle is near, and earns half (as the briefs mark it). */
const NEAR = 5;

/**
 * How an answer compares: the angle with the accepted band, and every hand with the place that
 * the procedure names (its segment, its side, and within a fifth of the segment's length).
 */
export function compareAnswer(
  spec: FigureSpec,
  degrees: number,
  hands: readonly HandSpec[],
): Answered {
  const [low, high] = spec.decides?.band ?? [0, 0];
  const off = Math.max(low - degrees, degrees - high, 0);
  return {
    angle: spec.decides ? (off === 0 ? 'inside' : off <= NEAR ? 'near' : 'outside') : null,
    off,
    hands: spec.hands.map((wanted, i) => {
      const given = hands[i];
      return (
        given !== undefined &&
        given.segment === wanted.segment &&
        given.surface === wanted.surface &&
        Math.abs(given.at - wanted.at) <= 0.2
      );
    }),
  };
}
