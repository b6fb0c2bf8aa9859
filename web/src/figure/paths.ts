import type { Capsule, XY } from '@kritikos/core/figure/drawing';

/** Units of the picture per stature: numbers of a size that reads well in markup. */
export const SCALE = 400;

const n = (value: number) => (Math.round(value * SCALE * 10) / 10).toString();
/** Paper counts y downwards. */
export const point = ([x, y]: XY): string => `${n(x)} ${n(-y)}`;

/** The outline of a tapered limb: two arcs and the tangents between them. */
export function capsulePath({ x1, y1, r1, x2, y2, r2 }: Capsule): string {
  const distance = Math.hypot(x2 - x1, y2 - y1);
  if (distance <= Math.abs(r1 - r2) + 1e-6) {
    const [x, y, r] = r1 >= r2 ? [x1, y1, r1] : [x2, y2, r2];
    return `M${point([x - r, y])}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;
  }
  const along = Math.atan2(y2 - y1, x2 - x1);
  const lean = Math.acos((r1 - r2) / distance);
  const on = (x: number, y: number, r: number, angle: number) =>
    point([x + r * Math.cos(angle), y + r * Math.sin(angle)]);
  const big = r1 > r2 ? 1 : 0;
  return [
    `M${on(x1, y1, r1, along + lean)}`,
    `L${on(x2, y2, r2, along + lean)}`,
    `A${n(r2)} ${n(r2)} 0 ${1 - big} 1 ${on(x2, y2, r2, along - lean)}`,
    `L${on(x1, y1, r1, along - lean)}`,
    `A${n(r1)} ${n(r1)} 0 ${big} 1 ${on(x1, y1, r1, along + lean)}Z`,
  ].join('');
}

export function line(points: readonly XY[]): string {
  return `M${points.map(point).join('L')}`;
}

/** The head of an arrow at the end of a line, as an open chevron. */
export function chevron(points: readonly XY[]): string {
  const [from, to] = [points.at(-2), points.at(-1)];
  if (!from || !to) return '';
  const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const wing = (turn: number): XY => [
    to[0] - 0.034 * Math.cos(angle + turn),
    to[1] - 0.034 * Math.sin(angle + turn),
  ];
  return line([wing(0.5), to, wing(-0.5)]);
}

/** The box of a drawing as SVG wants it. */
export function viewBox([left, bottom, width, height]: readonly [
  number,
  number,
  number,
  number,
]): string {
  return [left, -(bottom + height), width, height].map(n).join(' ');
}

/** A hand laid on at a place, its forearm leading away: role by shape. */
export function handPaths(at: XY, away: XY, role: 'holds' | 'moves' | 'feels') {
  const [dx, dy] = away;
  const to = (along: number, across: number): XY => [
    at[0] + dx * along - dy * across,
    at[1] + dy * along + dx * across,
  ];
  const limb = (a: XY, b: XY, r1: number, r2: number) =>
    capsulePath({ x1: a[0], y1: a[1], r1, x2: b[0], y2: b[1], r2 });
  const forearm = limb(to(0.05, 0), to(0.145, 0), 0.015, 0.02);
  if (role === 'feels') {
    // One finger ahead, the others folded.
    return [
      forearm,
      limb(to(0.052, 0), to(0.035, 0), 0.02, 0.018),
      limb(to(0.035, 0.005), to(-0.004, 0.005), 0.008, 0.006),
      limb(to(0.04, -0.014), to(0.018, -0.02), 0.007, 0.006),
    ];
  }
  const fingers =
    role === 'holds' ? [-0.024, -0.008, 0.008, 0.024] : [-0.018, -0.006, 0.006, 0.018];
  const reach = role === 'holds' ? -0.012 : -0.026;
  return [
    forearm,
    limb(to(0.05, 0), to(0.022, 0), 0.02, role === 'holds' ? 0.03 : 0.024),
    ...fingers.map((across) =>
      limb(to(0.02, across * 0.9), to(reach, across * 1.15), 0.0085, 0.0065),
    ),
    limb(to(0.03, 0.026), to(0.004, 0.042), 0.008, 0.0065),
  ];
}
