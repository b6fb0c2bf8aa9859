import { vec3 } from 'gl-matrix';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lowestOf, POSITIONS, rest } from './basePositions.ts';
import { drawFigure } from './draw.ts';
import type { Detail, Drawing, Picture } from './drawing.ts';
import { placeOn } from './handsAndForces.ts';
import { between, outsideRange, RANGES } from './pose.ts';
import type { JointAngle } from './pose.ts';
import { LENGTH, SIDES, STATURE_CM } from './segments.ts';
import type { Skeleton } from './skeleton.ts';
import { BASE_POSITIONS } from './spec.ts';
import type { FigureSpec } from './spec.ts';

const TWO_CM = 2 / STATURE_CM;
const length = (a: vec3, b: vec3) => vec3.distance(a, b);
const bare = (more: Partial<FigureSpec>): FigureSpec => ({
  position: 'supine',
  pose: {},
  hands: [],
  forces: [],
  region: [],
  ...more,
});

/** The angle between the dashed ray of zero and the solid ray, as drawn. */
function drawnAngle(drawing: Picture): number {
  const rays = drawing.shapes.filter((s) => s.kind === 'ray');
  const [zero, pointer] = rays.map((r) => Math.atan2(r.to[1] - r.from[1], r.to[0] - r.from[0]));
  let turn = (((pointer ?? NaN) - (zero ?? NaN)) * 180) / Math.PI;
  while (turn > 180) turn -= 360;
  while (turn <= -180) turn += 360;
  return turn;
}

describe('the skeleton', () => {
  const leg = fc.record({
    hipFlexion: fc.integer({ min: -20, max: 120 }),
    hipAbduction: fc.integer({ min: -20, max: 40 }),
    hipRotation: fc.integer({ min: -40, max: 40 }),
    kneeFlexion: fc.integer({ min: 0, max: 140 }),
    ankleDorsiflexion: fc.integer({ min: -40, max: 20 }),
  });

  // gl-matrix computes in single precision, about seven digits.
  it('never changes the length of a segment with the pose', () => {
    fc.assert(
      fc.property(leg, fc.constantFrom(...BASE_POSITIONS), (own, position) => {
        const { skeleton } = rest(position, { leg: own });
        const { thigh, shank } = skeleton.limbs.right;
        expect(length(thigh.near, thigh.far)).toBeCloseTo(LENGTH.thigh, 6);
        expect(length(shank.near, shank.far)).toBeCloseTo(LENGTH.shank, 6);
        expect(length(thigh.far, shank.near)).toBeCloseTo(0, 6);
      }),
    );
  });

  it('bends a knee backwards and an elbow forwards', () => {
    const standing = rest('standing', {
      leg: { hipFlexion: 0, kneeFlexion: 60 },
      arm: { elbowFlexion: 60, shoulderAbduction: 0 },
    });
    const { shank, forearm } = standing.skeleton.limbs.right;
    expect(shank.far[0]).toBeLessThan(shank.near[0] - 0.1);
    expect(forearm.far[0]).toBeGreaterThan(forearm.near[0] + 0.1);
  });

  it('carries the foot outwards when a hip with bent knee turns inwards, on both sides', () => {
    const { skeleton } = rest('sitting', {
      leg: { hipRotation: 30 },
      otherLeg: { hipRotation: 30 },
    });
    expect(skeleton.limbs.right.shank.far[2]).toBeGreaterThan(
      skeleton.limbs.right.shank.near[2] + 0.05,
    );
    expect(skeleton.limbs.left.shank.far[2]).toBeLessThan(skeleton.limbs.left.shank.near[2] - 0.05);
  });

  it('is the mirror image of itself when left and right change places', () => {
    const own = {
      hipFlexion: 40,
      hipAbduction: 20,
      hipRotation: -15,
      kneeFlexion: 50,
      ankleDorsiflexion: -10,
    };
    const one = rest('standing', { leg: own, otherLeg: { hipFlexion: 0 } }).skeleton;
    const two = rest('standing', { leg: { hipFlexion: 0 }, otherLeg: own }).skeleton;
    for (const name of ['thigh', 'shank', 'foot'] as const) {
      const [a, b] = [one.limbs.right[name].far, two.limbs.left[name].far];
      // The standing height may differ with the leg that carries; the shape may not.
      expect(a[0] - one.limbs.right.thigh.near[0]).toBeCloseTo(
        b[0] - two.limbs.left.thigh.near[0],
        9,
      );
      expect(a[2]).toBeCloseTo(-b[2], 6);
    }
  });

  it('keeps every base position inside the joints’ ranges', () => {
    for (const position of BASE_POSITIONS)
      expect(outsideRange(rest(position, {}).pose), position).toEqual([]);
    expect(outsideRange(rest('supine', { leg: { kneeFlexion: 170 } }).pose)).toEqual([
      'right kneeFlexion 170',
    ]);
  });

  it('interpolates a movement along its rotations', () => {
    const [a, b] = [rest('supine', {}).pose, rest('supine', { leg: { kneeFlexion: 80 } }).pose];
    expect(between(a, b, 0.25).legs.right.kneeFlexion).toBe(20);
  });
});

describe('the support', () => {
  it.each(BASE_POSITIONS)('carries %s: what rests touches it, and nothing sinks in', (position) => {
    const { skeleton } = rest(position, {});
    for (const part of POSITIONS[position].rests) {
      expect(Math.abs(lowestOf(skeleton, part)), part.segment).toBeLessThan(TWO_CM);
    }
    const parts = [
      { segment: 'trunk' as const },
      { segment: 'head' as const },
      ...SIDES.flatMap((side) =>
        (['thigh', 'shank', 'foot', 'upperArm', 'forearm', 'hand'] as const).map((segment) => ({
          segment,
          side,
        })),
      ),
    ];
    for (const part of parts) {
      // Shanks that hang over the edge are not above the couch.
      if (position === 'sitting' && (part.segment === 'shank' || part.segment === 'foot')) continue;
      if (position === 'kneeling' && part.segment === 'foot') continue;
      expect(lowestOf(skeleton, part), JSON.stringify(part)).toBeGreaterThan(-TWO_CM);
    }
  });

  it.each([60, 75, 90, 110])('keeps the sole flat on the couch with the knee at %d°', (knee) => {
    const { skeleton } = rest('hook-lying', { leg: { kneeFlexion: knee } });
    const { foot } = skeleton.limbs.right;
    expect(Math.abs(foot.near[1] - foot.far[1])).toBeLessThan(0.001);
    expect(Math.abs(lowestOf(skeleton, { segment: 'foot' }))).toBeLessThan(TWO_CM);
  });

  it('puts the foot on top of its step', () => {
    const { skeleton } = rest('on-step', {}, 20 / STATURE_CM);
    expect(Math.abs(lowestOf(skeleton, { segment: 'foot' }) - 20 / STATURE_CM)).toBeLessThan(
      TWO_CM,
    );
  });
});

describe('the drawing', () => {
  // Every angle of every joint, in a position in which it can be tested.
  const angles: [JointAngle, FigureSpec['position'], object][] = [
    ['hipFlexion', 'supine', { leg: { hipFlexion: 70, hipAbduction: 10, kneeFlexion: 90 } }],
    ['hipAbduction', 'supine', { leg: { hipAbduction: 35 } }],
    ['hipRotation', 'prone', { leg: { hipRotation: 30, kneeFlexion: 90 } }],
    ['kneeFlexion', 'supine', { leg: { hipFlexion: 20, hipAbduction: 25, kneeFlexion: 25 } }],
    ['ankleDorsiflexion', 'long-sitting', { leg: { ankleDorsiflexion: -20 } }],
    ['hindfootInversion', 'prone', { leg: { ankleDorsiflexion: 0, hindfootInversion: 15 } }],
    ['shoulderFlexion', 'standing', { arm: { shoulderFlexion: 120 } }],
    ['shoulderAbduction', 'standing', { arm: { shoulderAbduction: 90 } }],
    [
      'shoulderHorizontalAdduction',
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 60,
          elbowFlexion: 0,
        },
      },
    ],
    [
      'shoulderRotation',
      'supine',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 90, shoulderRotation: -80, elbowFlexion: 90 },
      },
    ],
    ['elbowFlexion', 'sitting', { arm: { shoulderFlexion: 0, elbowFlexion: 75 } }],
    ['wristUlnarDeviation', 'sitting', { arm: { elbowFlexion: 90, wristUlnarDeviation: 20 } }],
    ['wristExtension', 'sitting', { arm: { elbowFlexion: 90, wristExtension: -30 } }],
    ['trunkFlexion', 'standing', { axial: { trunkFlexion: 30 } }],
  ];

  it.each(angles)('shows %s in its true size', (angle, position, pose) => {
    const group = Object.values(pose as Record<string, Record<string, number>>);
    const declared = group.map((g) => g[angle]).find((x) => x !== undefined) ?? NaN;
    const drawing = drawFigure(
      bare({ position, pose, decides: { angle, band: [declared - 5, declared + 5] } }),
      { side: 'right' },
    );
    expect(Math.abs(Math.abs(drawnAngle(drawing)) - Math.abs(declared))).toBeLessThan(1);
  });

  it('gives a lengthwise turn an inset that looks along the limb', () => {
    const drawing = drawFigure(
      bare({
        position: 'sitting',
        pose: { arm: { elbowFlexion: 90, forearmPronation: 50 } },
        decides: { angle: 'forearmPronation', band: [40, 60] },
      }),
      { side: 'right' },
    );
    expect(drawing.details[0]?.title).toMatch(/along the limb/);
    expect(Math.abs(drawnAngle(drawing.details[0] as Detail))).toBeCloseTo(50, 0);
  });

  const lachman = bare({
    pose: { leg: { hipFlexion: 18, kneeFlexion: 25, tibialTranslation: 5 } },
    from: { leg: { hipFlexion: 18, kneeFlexion: 25 } },
    decides: { angle: 'kneeFlexion', band: [20, 30] },
    hands: [
      { role: 'holds', segment: 'thigh', at: 0.85, surface: 'front' },
      { role: 'moves', segment: 'shank', at: 0.15, surface: 'back' },
    ],
    forces: [{ kind: 'straight', segment: 'shank', at: 0.15, surface: 'front', towards: 'front' }],
    region: ['thigh', 'shank'],
  });

  it('looks at a hand behind the back from behind', () => {
    const arm = { shoulderFlexion: -35, shoulderAbduction: 15, shoulderRotation: 80 };
    const drawing = drawFigure(
      bare({
        position: 'standing',
        pose: { arm: { ...arm, elbowFlexion: 100 } },
        decides: { angle: 'elbowFlexion', band: [80, 140] },
      }),
      { side: 'right' },
    );
    expect(drawing.shapes.find((s) => s.kind === 'face')?.seen).not.toBe('face');
    // Seen from behind, the right arm is on the right of the paper.
    const elbow = drawing.shapes.find((s) => s.kind === 'sector')?.centre[0];
    expect(elbow).toBeGreaterThan(0.1);
  });

  it('looks down on somebody who sits, not up, when the arm turns about its length', () => {
    const drawing = drawFigure(
      bare({
        position: 'sitting',
        pose: { arm: { shoulderFlexion: 0, shoulderRotation: -45, elbowFlexion: 90 } },
        decides: { angle: 'shoulderRotation', band: [-90, -45] },
      }),
      { side: 'right' },
    );
    // With the face up on paper, an arm turned outwards points to the right only from above.
    const pointer = drawing.shapes.filter((s) => s.kind === 'ray').at(-1);
    expect((pointer?.to[0] ?? 0) - (pointer?.from[0] ?? 0)).toBeGreaterThan(0.1);
  });

  it('is the same for the same data, and left is the mirror image of right', () => {
    const right = drawFigure(lachman, { side: 'right' });
    expect(drawFigure(lachman, { side: 'right' })).toEqual(right);
    const left = drawFigure(lachman, { side: 'left' });
    const xs = (d: Drawing) =>
      d.shapes.flatMap((s) => (s.kind === 'body' ? s.parts.map((p) => p.x1) : []));
    expect(xs(left)).toEqual(xs(right).map((x) => -x));
    expect(left.box[2]).toBe(right.box[2]);
  });

  it('lays hands on the segment that they name', () => {
    const { skeleton } = rest('supine', lachman.pose);
    for (const hand of lachman.hands) {
      const { skin, axis } = placeOn(skeleton, hand);
      const own = skeleton.limbs.right[hand.segment as keyof Skeleton['limbs']['right']];
      expect(length(own.near, axis) / length(own.near, own.far)).toBeCloseTo(hand.at, 5);
      expect(length(skin, axis)).toBeLessThan(0.06);
    }
  });

  it('follows the limb with its hands as the movement goes on', () => {
    const at = (share: number) =>
      drawFigure(lachman, { side: 'right', share })
        .shapes.filter((s) => s.kind === 'hand')
        .map((s) => s.at);
    expect(at(0)[1]).not.toEqual(at(1)[1]);
    expect(at(0.5)[0]).toEqual(at(1)[0]);
  });

  it('says in words what it shows', () => {
    expect(drawFigure(lachman, { side: 'left' }).text).toBe(
      'Lying on the back, left side tested: hip bent 18 degrees, knee bent 25 degrees, shin drawn forward 5 millimetres. Accepted: knee bent 20 to 30 degrees. A hand holds still at the far end of the thigh, front side. A hand moves at the near end of the lower leg, back side. Force on the lower leg towards its front side.',
    );
  });

  it('knows a range for every angle', () => {
    for (const [low, high] of Object.values(RANGES)) expect(low).toBeLessThan(high);
  });

  // Normal active motion, AAOS 1965 as tabled in Norkin & White, appendix; from memory.
  const HANDBOOK: Partial<Record<JointAngle, readonly [number, number]>> = {
    hipFlexion: [-30, 120],
    hipAbduction: [-30, 45],
    hipRotation: [-45, 45],
    kneeFlexion: [0, 135],
    ankleDorsiflexion: [-50, 20],
    hindfootInversion: [-15, 35],
    shoulderFlexion: [-60, 180],
    shoulderAbduction: [0, 180],
    shoulderRotation: [-90, 70],
    elbowFlexion: [0, 150],
    forearmPronation: [-80, 80],
    wristExtension: [-80, 70],
    wristUlnarDeviation: [-20, 30],
  };

  it.each(Object.entries(HANDBOOK))(
    'lets %s go through the handbook’s range, and hardly further',
    (angle, [low, high]) => {
      const [least, most] = RANGES[angle as JointAngle];
      expect(least).toBeLessThanOrEqual(low);
      expect(most).toBeGreaterThanOrEqual(high);
      // A lax, passive or assisted joint adds up to 20 degrees.
      expect(low - least).toBeLessThanOrEqual(20);
      expect(most - high).toBeLessThanOrEqual(20);
    },
  );
});
