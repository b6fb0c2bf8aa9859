import { drawAngle } from './angle.ts';
import { layDown, poseIn } from './basePositions.ts';
import { drawBody, drawGhost } from './body.ts';
import { describeFigure } from './describe.ts';
import type { Camera } from './camera.ts';
import { detailViews } from './details.ts';
import type { Drawing, Picture } from './drawing.ts';
import { framed, mirrored, squared, united } from './frame.ts';
import { drawForces, drawHands } from './handsAndForces.ts';
import { between } from './pose.ts';
import type { Pose } from './pose.ts';
import { drawProps, drawTapes } from './props.ts';
import { STATURE_CM } from './segments.ts';
import type { Side } from './segments.ts';
import type { FigureSpec } from './spec.ts';
import { cameraFor, decisiveAngle, turnsInView } from './view.ts';
import type { DetailView } from './view.ts';

export interface DrawOptions {
  readonly side: Side;
  /** How far along the movement, 0 at the start, 1 at the end. The start stays as a ghost. */
  readonly share?: number;
}

/**
 * Draws a figure from its data: the body on its support, hands, forces, the deciding angle with
 * its band. Everything is computed for the right side; the left is the mirror image. The same
 * data gives the same drawing. A figure that moves is looked at all along as its end is: view,
 * box and details stay the same at every share of the movement.
 */
export function drawFigure(spec: FigureSpec, { side, share = 1 }: DrawOptions): Drawing {
  const stage = stageOf(spec);
  const shown = drawAt(stage, share);
  const shares = spec.from ? KEY_SHARES : [1];
  const whole = shares.map((at) => drawAt(stage, at));
  const drawing: Drawing = {
    shapes: shown.shapes,
    box: united(whole.map(({ box }) => box)),
    details: shown.details.map((detail, i) => {
      if (stage.views[i]?.follows) return detail;
      const boxes = whole.map(({ details }) => details[i]?.box ?? detail.box);
      return { ...detail, box: squared(united(boxes)) };
    }),
    text: describeFigure(spec, side),
  };
  return side === 'right' ? drawing : mirrored(drawing);
}

/** The shares of a movement that its box must hold; between them it stays within the margin. */
const KEY_SHARES = [0, 0.25, 0.5, 0.75, 1];

/** What stays the same while a figure moves. */
interface Stage {
  readonly spec: FigureSpec;
  readonly stepTop: number;
  readonly start: Pose | null;
  readonly goal: Pose;
  readonly camera: Camera;
  readonly angleInView: boolean;
  readonly views: readonly DetailView[];
}

function stageOf(spec: FigureSpec): Stage {
  const stepTop = stepHeight(spec) / STATURE_CM;
  const goal = poseIn(spec.position, spec.pose);
  const start = spec.from ? poseIn(spec.position, spec.from) : null;
  const skeleton = layDown(spec.position, goal, stepTop);
  const decisive = decisiveAngle(spec, skeleton);
  const camera = cameraFor(spec, skeleton, decisive);
  const angleInView = decisive !== undefined && turnsInView(camera, decisive);
  const views = detailViews(spec, skeleton, camera);
  return { spec, stepTop, start, goal, camera, angleInView, views };
}

function drawAt(stage: Stage, share: number): Picture & Pick<Drawing, 'details'> {
  const { spec, stepTop, start, goal, camera } = stage;
  const skeleton = layDown(spec.position, start ? between(start, goal, share) : goal, stepTop);
  const decisive = decisiveAngle(spec, skeleton);
  const picture = framed([
    ...drawProps(spec, skeleton, camera, stepTop),
    ...(start && share > 0 ? drawGhost(layDown(spec.position, start, stepTop), camera, spec) : []),
    ...drawBody(skeleton, camera, spec.region),
    ...drawTapes(spec, skeleton, camera),
    ...drawForces(spec.forces, skeleton, camera),
    ...drawHands(spec.hands, skeleton, camera),
    ...(decisive && spec.decides && stage.angleInView
      ? drawAngle(decisive, spec.decides.band, camera)
      : []),
  ]);
  return { ...picture, details: stage.views.map((view) => view.at(skeleton)) };
}

/** In centimetres; 0 where nobody stands on a step. */
export function stepHeight({ props = [] }: FigureSpec): number {
  return props.find((prop) => prop.kind === 'step')?.heightCm ?? 0;
}
