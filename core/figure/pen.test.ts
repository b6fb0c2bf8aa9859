import { describe, expect, it } from 'vitest';
import { Pen, SCALE } from './pen.ts';

const pen = new Pen();

/** The points that a path goes through, in statures, y upwards again. */
function pointsOf(path: string): [number, number][] {
  return [...path.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [
    Number(x) / SCALE,
    -Number(y) / SCALE,
  ]);
}

describe('the outline of a limb', () => {
  it('touches both circles and never cuts into them', () => {
    const limb = { x1: 0, y1: 0, r1: 0.05, x2: 0.3, y2: 0.1, r2: 0.03 };
    for (const [x, y] of pointsOf(pen.capsule(limb))) {
      const near = Math.hypot(x - limb.x1, y - limb.y1) - limb.r1;
      const far = Math.hypot(x - limb.x2, y - limb.y2) - limb.r2;
      expect(Math.min(Math.abs(near), Math.abs(far))).toBeLessThan(0.001);
      expect(Math.min(near, far)).toBeGreaterThan(-0.001);
    }
  });

  it('is a plain circle where a limb is seen end-on', () => {
    expect(pen.capsule({ x1: 0, y1: 0, r1: 0.05, x2: 0.01, y2: 0, r2: 0.03 })).toMatch(/^M-20 0a/);
  });
});

describe('lines', () => {
  it('count y downwards on paper', () => {
    expect(
      pen.line([
        [0, 0.5],
        [0.25, 0],
      ]),
    ).toBe('M0 -200L100 0');
    expect(pen.viewBox([-0.5, 0, 1, 2])).toBe('-200 -800 400 800');
  });

  it('end in a head that points the way they go', () => {
    const [left, tip, right] = pointsOf(
      pen.chevron([
        [0, 0],
        [0.3, 0],
      ]),
    );
    expect(tip?.[0]).toBeCloseTo(0.3, 2);
    expect(left?.[0]).toBeLessThan(0.3);
    expect(left?.[1]).toBeCloseTo(-(right?.[1] ?? NaN), 3);
    expect(pen.chevron([[0, 0]])).toBe('');
  });
});

describe('an examiner’s hand', () => {
  it('differs by shape with its role, not by colour alone', () => {
    const [holds, moves, feels] = (['holds', 'moves', 'feels'] as const).map((role) =>
      pen.hand([0, 0], [0, 1], role),
    );
    expect(new Set([holds, moves, feels].map((paths) => paths?.join(''))).size).toBe(3);
    expect(feels?.length).toBeLessThan(holds?.length ?? 0);
  });
});
