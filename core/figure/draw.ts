import { drawAngle } from './angle.ts';
import { layDown, poseIn } from './basePositions.ts';
import { drawBody, drawGhost } from './body.ts';
import { describeFigure } from './describe.ts';
import type { Drawing } from './drawing.ts';
import { between } from './pose.ts';
import { framed, mirrored } from './frame.ts';
import { drawForces, drawHands } from './handsAndForces.ts';
import { drawInset } from './inset.ts';
import { drawProps, drawTapes } from './props.ts';
import { angleKey } from './skeleton.ts';
import { STATURE_CM } from './segments.ts';
import type { Side } from './segments.ts';
import type { FigureSpec } from './spec.ts';
import { cameraFor, turnsInView } from './view.ts';

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
  const stepTop = stepHeight(spec) / STATURE_CM;
  const goal = poseIn(spec.position, spec.pose);
  const start = spec.from ? poseIn(spec.position, spec.from) : null;
  const now = start ? between(start, goal, share) : goal;
  const skeleton = layDown(spec.position, now, stepTop);
  const decisive = spec.decides && skeleton.angles.get(angleKey(spec.decides.angle, 'right'));
  const camera = cameraFor(spec, skeleton, decisive);
  const shapes = [
    ...drawProps(spec, skeleton, camera, stepTop),
    ...(start && share > 0 ? drawGhost(layDown(spec.position, start, stepTop), camera, spec) : []),
    ...drawBody(skeleton, camera, spec.region),
    ...drawTapes(spec, skeleton, camera),
    ...drawForces(spec.forces, skeleton, camera),
    ...drawHands(spec.hands, skeleton, camera),
    ...(decisive && spec.decides && turnsInView(camera, decisive)
      ? drawAngle(decisive, spec.decides.band, camera)
      : []),
  ];
  const inset = drawInset(spec, skeleton, camera);
  const drawing = { ...framed(shapes), inset, text: describeFigure(spec, side) };
  return side === 'right' ? drawing : mirrored(drawing);
}

/** In centimetres; 0 where nobody stands on a step. */
export function stepHeight({ props = [] }: FigureSpec): number {
  return props.find((prop) => prop.kind === 'step')?.heightCm ?? 0;
}
