import type { Box, Detail, Drawing, Picture, Shape, XY } from './drawing.ts';
import { awayFrom, FOREARM, Pen, SCALE } from './pen.ts';

/**
 * The look of a figure on white paper. It is written as presentation attributes, which a screen's
 * stylesheet overrides by class: no style element, no script, nothing that a strict content
 * policy would refuse, and a figure that stands alone prints as it is.
 */
const INK = '#26221d';
const SOFT = '#8a8177';
const TEAL = '#1f5f66';
const RED = '#9c2f2a';
const PAPER = '#ffffff';
const LOOK: Readonly<Record<string, string>> = {
  outline: `fill="${INK}" stroke="${INK}" stroke-width="2.4" stroke-linejoin="round"`,
  'outline far': `fill="${SOFT}" stroke="${SOFT}" stroke-width="1.8" stroke-linejoin="round"`,
  'outline ghost': `fill="none" stroke="${SOFT}" stroke-width="1.4" stroke-dasharray="4 4"`,
  skin: 'fill="#efe2d0"',
  tinted: 'fill="#e2b9a2"',
  hair: 'fill="#a8957f"',
  'skin far': 'fill="#f7f0e4"',
  'tinted far': 'fill="#f0d9cb"',
  mark: `fill="${INK}"`,
  trait: `fill="none" stroke="${INK}" stroke-width="1.4" stroke-linecap="round"`,
  ear: `fill="#efe2d0" stroke="${INK}" stroke-width="1.2"`,
  holds: `fill="${PAPER}"`,
  moves: 'fill="#3f7f86"',
  feels: 'fill="#c98a1b"',
  prop: `fill="#dde7e6" stroke="${SOFT}" stroke-width="1.4"`,
  'prop line': `fill="none" stroke="${SOFT}" stroke-width="2"`,
  'prop pole': `fill="none" stroke="${SOFT}" stroke-width="4"`,
  'prop tape': `fill="none" stroke="${INK}" stroke-width="3" stroke-dasharray="2 3"`,
  sector: `fill="${TEAL}" fill-opacity="0.22" stroke="${TEAL}" stroke-width="1.2"`,
  ray: `fill="none" stroke="${TEAL}" stroke-width="2"`,
  'ray zero': `fill="none" stroke="${TEAL}" stroke-width="1.4" stroke-dasharray="5 4"`,
  shaft: `fill="none" stroke="${RED}" stroke-width="4" stroke-linecap="round" stroke-linejoin="round"`,
  'shaft patient': `fill="none" stroke="${RED}" stroke-width="4" stroke-linecap="round" stroke-dasharray="7 7"`,
  dot: `fill="${RED}"`,
  label: `font-family="sans-serif" font-size="16" font-weight="600" fill="${INK}" stroke="${PAPER}" stroke-width="4" paint-order="stroke"`,
  frame: `fill="${PAPER}" stroke="${SOFT}" stroke-width="1"`,
};

/** A class with the look that it has on paper. */
function as(name: string): string {
  return `class="${name}" ${LOOK[name] ?? ''}`;
}

/** Units of the picture: the room between a picture and its details, and a line of words below one. */
const GAP = 10;
const WORDS = 24;
/** A detail is as high as the picture beside it, within these bounds. */
const DETAIL = { least: 150, most: 220 } as const;

/**
 * A drawing as one SVG text, for the browser and for paper alike: the picture, its details in a
 * row to the right of it, and the description as its title. `id` tells figures of one page apart;
 * it may hold letters, digits and hyphens only.
 */
export function figureSvg(drawing: Drawing, id = 'figure'): string {
  if (!/^[\w-]+$/.test(id)) throw new RangeError(`"${id}" cannot be the id of a figure.`);
  const pen = new Pen();
  const [left, bottom, width, height] = drawing.box.map((value) => value * SCALE) as unknown as Box;
  const top = -(bottom + height);
  const size = Math.min(Math.max(height - WORDS, DETAIL.least), DETAIL.most);
  const wide = width + drawing.details.length * (size + GAP);
  const high = drawing.details.length > 0 ? Math.max(height, size + WORDS) : height;
  // The picture stands in the middle of the height, the details at the foot.
  const up = top - (high - height) / 2;
  const details = drawing.details.map((detail, i) =>
    detailSvg(detail, `${id}-${i + 1}`, {
      x: left + width + GAP + i * (size + GAP),
      y: up + high - size - WORDS,
      size,
    }),
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" class="figure" role="img" aria-labelledby="${id}-text" ` +
    `viewBox="${[left, up, wide, high].map(rounded).join(' ')}" preserveAspectRatio="xMidYMid meet">` +
    `<title id="${id}-text">${escaped(drawing.text)}</title>` +
    `${shapesSvg(drawing, pen, id)}${details.join('')}</svg>`
  );
}

function detailSvg(
  detail: Detail,
  id: string,
  { x, y, size }: { x: number; y: number; size: number },
): string {
  const pen = new Pen(size / detail.box[2]);
  const at = `x="${rounded(x)}" y="${rounded(y)}" width="${rounded(size)}" height="${rounded(size)}"`;
  return (
    `<g class="detail"><rect ${at} rx="3" ${as('frame')}/>` +
    `<svg ${at} viewBox="${pen.viewBox(detail.box)}">${shapesSvg(detail, pen, id)}</svg>` +
    `<text x="${rounded(x + size / 2)}" y="${rounded(y + size + WORDS - 5)}" text-anchor="middle" ` +
    `${as('label')}>${escaped(detail.title)}</text></g>`
  );
}

function shapesSvg({ shapes }: Picture, pen: Pen, id: string): string {
  return shapes.map((shape, i) => shapeSvg(shape, pen, `${id}-${i}`)).join('');
}

function shapeSvg(shape: Shape, pen: Pen, id: string): string {
  const path = (name: string, d: string) => `<path ${as(name)} d="${d}"/>`;
  const circle = (name: string, [x, y]: XY, r: number) =>
    `<circle ${as(name)} cx="${pen.n(x)}" cy="${pen.n(-y)}" r="${r}"/>`;
  switch (shape.kind) {
    case 'body': {
      // All outlines first, then all fills, so that the parts share one outline.
      const { tone, parts } = shape;
      const outlined = parts.map((part) => pen.capsule(part)).join('');
      if (tone === 'ghost') return path('outline ghost', outlined);
      const far = tone === 'far' ? ' far' : '';
      const fills = parts.map((part) =>
        path(`${part.fill}${part.fill === 'hair' ? '' : far}`, pen.capsule(part)),
      );
      return path(`outline${far}`, outlined) + fills.join('');
    }
    case 'face':
      return [
        ...shape.ears.map((ear) => path('ear', pen.capsule(ear))),
        ...shape.eyes.map((eye) => circle('mark', eye, 2.2)),
        ...shape.traits.map((line) => path('trait', pen.line(line))),
      ].join('');
    case 'prop': {
      const { prop, points, label } = shape;
      const look =
        prop === 'tape' || prop === 'pole' ? ` ${prop}` : points.length > 2 ? '' : ' line';
      const d = points.length > 2 ? pen.closed(points) : pen.line(points);
      return `<path ${as(`prop${look}`)} d="${d}"><title>${escaped(label)}</title></path>`;
    }
    case 'sector':
      return path('sector', pen.closed([shape.centre, ...shape.points]));
    case 'ray':
      return path(shape.dashed ? 'ray zero' : 'ray', pen.line([shape.from, shape.to]));
    case 'hand':
      return handSvg(shape, pen, id);
    case 'arrow':
      return (
        path(shape.byPatient ? 'shaft patient' : 'shaft', pen.line(shape.points)) +
        path('shaft', pen.chevron(shape.points))
      );
    case 'towards-viewer': {
      const [x, y] = shape.at;
      const d = 4.8 / pen.scale;
      const cross =
        pen.line([
          [x - d, y - d],
          [x + d, y + d],
        ]) +
        pen.line([
          [x - d, y + d],
          [x + d, y - d],
        ]);
      return (
        circle(shape.byPatient ? 'shaft patient' : 'shaft', shape.at, 8) +
        (shape.away ? path('shaft', cross) : circle('dot', shape.at, 2.6))
      );
    }
    case 'label':
      return (
        `<text x="${pen.n(shape.at[0])}" y="${pen.n(-shape.at[1])}" text-anchor="${shape.anchor}" ` +
        `${as('label')}>${escaped(shape.text)}</text>`
      );
  }
}

/** A hand whose forearm fades away, so that it ends nowhere and floats nowhere. */
function handSvg(shape: Extract<Shape, { kind: 'hand' }>, pen: Pen, id: string): string {
  const { at, away, role, faint } = shape;
  const paths = pen.hand(at, away, role);
  const to = awayFrom(at, away);
  const [wrist, elbow] = [to(FOREARM.fades, 0), to(FOREARM.to, 0)];
  const x = Math.min(at[0], elbow[0]) - 0.1;
  const y = Math.max(at[1], elbow[1]) + 0.1;
  const [w, h] = [Math.abs(at[0] - elbow[0]) + 0.2, Math.abs(at[1] - elbow[1]) + 0.2];
  const room = `x="${pen.n(x)}" y="${pen.n(-y)}" width="${pen.n(w)}" height="${pen.n(h)}"`;
  const [x1, y1, x2, y2] = [wrist[0], -wrist[1], elbow[0], -elbow[1]].map((v) => pen.n(v));
  const outline = paths.map((d) => `<path ${as('outline')} d="${d}"/>`).join('');
  const fill = paths.map((d) => `<path ${as(role)} d="${d}"/>`).join('');
  return (
    `<linearGradient id="${id}-fade" gradientUnits="userSpaceOnUse" x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}">` +
    `<stop offset="0" stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient>` +
    `<mask id="${id}-mask" maskUnits="userSpaceOnUse" ${room}>` +
    `<rect ${room} fill="url(#${id}-fade)"/></mask>` +
    `<g class="hand"${faint ? ' opacity="0.55"' : ''} mask="url(#${id}-mask)">${outline}${fill}</g>`
  );
}

function rounded(value: number): string {
  return (Math.round(value * 10) / 10).toString();
}

/** Words as they may stand in markup. */
function escaped(words: string): string {
  return words
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');
}
