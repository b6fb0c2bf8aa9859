import type { Box, Capsule, Detail, Drawing, Picture, Shape, XY } from './drawing.ts';

export const MARGIN = 0.05;
/** The width that a letter takes on paper, in statures, and how far words reach from their anchor. */
const LETTER = 0.024;
/** The height of a line of words. */
const LINE = 0.048;
const LABEL_REACH = { start: [0, 1], middle: [-0.5, 0.5], end: [-1, 0] } as const;

/** The shapes with the box that holds them all. */
export function framed(drawn: readonly Shape[]): Picture {
  const shapes = withLabelsApart(drawn);
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
        take([shape.at[0] + shape.away[0] * 0.19, shape.at[1] + shape.away[1] * 0.19], 0.02);
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

/** The box that holds all of these. */
export function united(boxes: readonly Box[]): Box {
  const l = Math.min(...boxes.map(([left]) => left));
  const b = Math.min(...boxes.map(([, bottom]) => bottom));
  const r = Math.max(...boxes.map(([left, , width]) => left + width));
  const t = Math.max(...boxes.map(([, bottom, , height]) => bottom + height));
  return [l, b, r - l, t - b];
}

/** A box made square about its middle, at least so wide. */
export function squared([l, b, w, h]: Box, least = 0): Box {
  const size = Math.max(w, h, least);
  return [l + w / 2 - size / 2, b + h / 2 - size / 2, size, size];
}

type Label = Extract<Shape, { kind: 'label' }>;

/** Labels that would cover one another are moved apart, upwards or downwards as they lie. */
function withLabelsApart(shapes: readonly Shape[]): readonly Shape[] {
  const placed: Label[] = [];
  return shapes.map((shape) => {
    if (shape.kind !== 'label') return shape;
    let label: Label = shape;
    for (const other of placed) {
      if (!covers(label, other)) continue;
      const [x, y] = label.at;
      const way = y >= other.at[1] ? 1 : -1;
      label = { ...label, at: [x, other.at[1] + way * LINE] };
    }
    placed.push(label);
    return label;
  });
}

function covers(one: Label, two: Label): boolean {
  const [a, b] = [widthOf(one), widthOf(two)];
  return Math.abs(one.at[1] - two.at[1]) < LINE && a[0] < b[1] && b[0] < a[1];
}

function widthOf({ at, text, anchor }: Label): readonly [number, number] {
  const [left, right] = LABEL_REACH[anchor];
  const width = text.length * LETTER;
  return [at[0] + left * width, at[0] + right * width];
}

/** The mirror image: every x turned round, and what was anchored left is anchored right. */
export function mirrored(drawing: Drawing): Drawing {
  return {
    ...drawing,
    ...mirroredPicture(drawing),
    details: drawing.details.map((detail): Detail => ({
      title: detail.title,
      ...mirroredPicture(detail),
    })),
  };
}

const flip = ([x, y]: XY): XY => [-x, y];
const flipCapsule = <Part extends Capsule>(p: Part): Part => ({ ...p, x1: -p.x1, x2: -p.x2 });

function mirroredPicture({ shapes, box: [l, b, w, h] }: Picture): Picture {
  return { shapes: shapes.map(mirroredShape), box: [-l - w, b, w, h] };
}

function mirroredShape(shape: Shape): Shape {
  switch (shape.kind) {
    case 'body':
      return { ...shape, parts: shape.parts.map(flipCapsule) };
    case 'face':
      return {
        ...shape,
        eyes: shape.eyes.map(flip),
        traits: shape.traits.map((line) => line.map(flip)),
        ears: shape.ears.map(flipCapsule),
      };
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
}
