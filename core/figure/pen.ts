import type { Box, Capsule, XY } from './drawing.ts';
import type { HandRole } from './spec.ts';

/** Units of the picture per stature: numbers of a size that reads well in markup. */
export const SCALE = 400;

/** How far a forearm is drawn beyond the place where its hand lies, in statures; it fades on the way. */
export const FOREARM = { from: 0.05, fades: 0.09, to: 0.23 } as const;

/** Writes shapes as the paths of an SVG. Paper counts y downwards; lines keep their width at any scale. */
export class Pen {
  constructor(readonly scale: number = SCALE) {}

  /** A length or place in units of the picture, to a tenth. */
  n(value: number): string {
    return (Math.round(value * this.scale * 10) / 10).toString();
  }

  point([x, y]: XY): string {
    return `${this.n(x)} ${this.n(-y)}`;
  }

  line(points: readonly XY[]): string {
    return `M${points.map((at) => this.point(at)).join('L')}`;
  }

  closed(points: readonly XY[]): string {
    return `${this.line(points)}Z`;
  }

  /** The box of a drawing as SVG wants it: left, top, width, height. */
  viewBox([left, bottom, width, height]: Box): string {
    return [left, -(bottom + height), width, height].map((value) => this.n(value)).join(' ');
  }

  /** The outline of a tapered limb: two arcs and the tangents between them. */
  capsule({ x1, y1, r1, x2, y2, r2 }: Capsule): string {
    const distance = Math.hypot(x2 - x1, y2 - y1);
    if (distance <= Math.abs(r1 - r2) + 1e-6) {
      const [x, y, r] = r1 >= r2 ? [x1, y1, r1] : [x2, y2, r2];
      const round = `a${this.n(r)} ${this.n(r)} 0 1 0`;
      return `M${this.point([x - r, y])}${round} ${this.n(2 * r)} 0${round} ${this.n(-2 * r)} 0Z`;
    }
    const along = Math.atan2(y2 - y1, x2 - x1);
    const lean = Math.acos((r1 - r2) / distance);
    const on = (x: number, y: number, r: number, angle: number) =>
      this.point([x + r * Math.cos(angle), y + r * Math.sin(angle)]);
    const arc = (r: number, large: number) => `A${this.n(r)} ${this.n(r)} 0 ${large} 1 `;
    const big = r1 > r2 ? 1 : 0;
    return [
      `M${on(x1, y1, r1, along + lean)}`,
      `L${on(x2, y2, r2, along + lean)}`,
      `${arc(r2, 1 - big)}${on(x2, y2, r2, along - lean)}`,
      `L${on(x1, y1, r1, along - lean)}`,
      `${arc(r1, big)}${on(x1, y1, r1, along + lean)}Z`,
    ].join('');
  }

  /** The head of an arrow at the end of a line, as an open chevron. */
  chevron(points: readonly XY[]): string {
    const [from, to] = [points.at(-2), points.at(-1)];
    if (!from || !to) return '';
    const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
    const size = (0.034 * SCALE) / this.scale;
    const wing = (turn: number): XY => [
      to[0] - size * Math.cos(angle + turn),
      to[1] - size * Math.sin(angle + turn),
    ];
    return this.line([wing(0.5), to, wing(-0.5)]);
  }

  /** A hand laid on at a place, its forearm leading away: role by shape. The forearm comes first. */
  hand(at: XY, away: XY, role: HandRole): string[] {
    const to = awayFrom(at, away);
    const limb = (a: XY, b: XY, r1: number, r2: number) =>
      this.capsule({ x1: a[0], y1: a[1], r1, x2: b[0], y2: b[1], r2 });
    const forearm = limb(to(FOREARM.from, 0), to(FOREARM.to, 0), 0.0155, 0.026);
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
}

/** Places counted from a hand: so far along its forearm, so far to the left of it. */
export function awayFrom(at: XY, [dx, dy]: XY): (along: number, across: number) => XY {
  return (along, across) => [at[0] + dx * along - dy * across, at[1] + dy * along + dx * across];
}
