import { describe, expect, it } from 'vitest';
import { drawFigure } from './draw.ts';
import type { Drawing, Shape } from './drawing.ts';
import { framed, mirrored } from './frame.ts';
import { couchEnds } from './props.ts';
import { rest } from './basePositions.ts';
import type { FigureSpec } from './spec.ts';

const bare = (more: Partial<FigureSpec>): FigureSpec => ({
  position: 'supine',
  pose: {},
  hands: [],
  forces: [],
  region: [],
  ...more,
});
const drawn = (more: Partial<FigureSpec>, side: 'left' | 'right' = 'right') =>
  drawFigure(bare(more), { side });
const of = <Kind extends Shape['kind']>({ shapes }: Pick<Drawing, 'shapes'>, kind: Kind) =>
  shapes.filter((shape): shape is Extract<Shape, { kind: Kind }> => shape.kind === kind);
const propOf = (drawing: Drawing, name: string) =>
  of(drawing, 'prop').find(({ prop }) => prop === name);
const labelsOf = (drawing: Drawing) => of(drawing, 'label').map(({ text }) => text);

describe('the words at an angle', () => {
  const bandOf = (low: number, high: number) =>
    labelsOf(
      drawn({
        position: 'sitting',
        pose: { leg: { ankleDorsiflexion: low } },
        decides: { angle: 'ankleDorsiflexion', band: [low, high] },
      }),
    )[0];

  it('say one number for one angle, two for a band, and signs where it spans zero', () => {
    expect(bandOf(15, 15)).toBe('15°');
    expect(bandOf(10, 20)).toBe('10 to 20°');
    expect(bandOf(-40, -20)).toBe('20 to 40°');
    expect(bandOf(-10, 10)).toBe('−10 to 10°');
  });
});

describe('labels', () => {
  const label = (text: string, x: number, y: number): Shape => ({
    kind: 'label',
    at: [x, y],
    text,
    anchor: 'middle',
  });

  it('are moved apart where they would cover one another, and stay where they would not', () => {
    const { shapes } = framed([
      label('moves', 0, 0),
      label('holds', 0.01, 0.01),
      label('feels', 1, 0),
    ]);
    const [moves, holds, feels] = shapes.map((shape) => (shape.kind === 'label' ? shape.at : []));
    expect(moves).toEqual([0, 0]);
    expect(holds?.[1]).toBeGreaterThan(0.03);
    expect(feels).toEqual([1, 0]);
  });

  it('are drawn last and lie within the box', () => {
    const arrow: Shape = {
      kind: 'arrow',
      points: [
        [0, 0],
        [1, 1],
      ],
      byPatient: false,
      heads: 'end',
    };
    const { shapes, box } = framed([label('a long description', 0, 0), arrow]);
    expect(shapes.at(-1)?.kind).toBe('label');
    expect(box[0]).toBeLessThan(-0.15);
    expect(box[0] + box[2]).toBeGreaterThan(1);
  });

  it('change their anchor with the side', () => {
    const one: Drawing = {
      ...framed([{ ...label('holds', 1, 0), anchor: 'start' } as Shape]),
      details: [],
      text: '',
    };
    const [flipped] = of(mirrored(one), 'label');
    expect(flipped).toMatchObject({ at: [-1, 0], anchor: 'end' });
    expect(mirrored(mirrored(one))).toEqual(one);
  });
});

describe('what stands under and beside the body', () => {
  it('draws a wall beyond the hand on the side that reaches, and a step under the foot', () => {
    const reach = drawn({
      position: 'standing',
      pose: { arm: { shoulderAbduction: 160 } },
      decides: { angle: 'shoulderAbduction', band: [150, 170] },
      props: [{ kind: 'wall' }],
    });
    const [foot] = propOf(reach, 'wall')?.points ?? [];
    const floor = propOf(reach, 'floor')?.points ?? [];
    // Seen from the front, the right hand is on the left of the paper.
    expect(foot?.[0]).toBeLessThan(((floor[0]?.[0] ?? 0) + (floor[1]?.[0] ?? 0)) / 2);
    const onStep = drawn({ position: 'on-step', props: [{ kind: 'step', heightCm: 20 }] });
    expect(propOf(onStep, 'step')?.label).toBe('Step, 20 cm');
  });

  it('lays a tape over the body from landmark to landmark', () => {
    const tape = drawn({
      position: 'standing',
      pose: { arm: { elbowFlexion: 90 } },
      props: [
        {
          kind: 'tape',
          from: { segment: 'trunk', at: 0.15, surface: 'front' },
          to: { segment: 'forearm', at: 1, surface: 'front' },
        },
      ],
    });
    expect(propOf(tape, 'tape')?.points).toHaveLength(2);
    const kinds = tape.shapes.map((shape) => (shape.kind === 'prop' ? shape.prop : shape.kind));
    expect(kinds.indexOf('tape')).toBeGreaterThan(kinds.indexOf('face'));
    expect(tape.text).toMatch(/A tape from the near end of the trunk, front side, to the far end/);
  });

  it('puts a roll in the room between thigh and couch', () => {
    const roll = drawn({
      pose: { leg: { hipFlexion: 20, kneeFlexion: 30 } },
      props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.9 } }],
    });
    const ys = propOf(roll, 'bolster')?.points.map(([, y]) => y) ?? [];
    expect(Math.min(...ys)).toBeGreaterThanOrEqual(-0.001);
    expect(Math.max(...ys)).toBeGreaterThan(0.02);
  });

  it('ends the couch before feet that would point through it', () => {
    const ends = (dorsiflexion: number) => {
      const { skeleton } = rest('prone', { leg: { ankleDorsiflexion: dorsiflexion } });
      const reach = couchEnds({ position: 'prone' }, skeleton).map(([x]) => x ?? NaN);
      return Math.min(...reach) - (skeleton.limbs.right.shank.far[0] ?? NaN);
    };
    // The feet of somebody who lies face down are on the left.
    expect(ends(-50)).toBeLessThan(0);
    expect(ends(0)).toBeGreaterThan(0);
  });

  it('gives somebody who kneels a chair to hold on to', () => {
    const chair = propOf(drawn({ position: 'kneeling' }), 'couch');
    expect(chair?.label).toBe('Chair');
    expect(Math.max(...(chair?.points.map(([, y]) => y) ?? []))).toBeGreaterThan(0.4);
  });
});

describe('the view', () => {
  it('does not look at a couch from a slant: the plain view and an inset serve better', () => {
    const arm = { shoulderFlexion: 45, shoulderAbduction: 15, shoulderRotation: -40 };
    const drawing = drawn({
      position: 'sitting',
      pose: { arm: { ...arm, elbowFlexion: 20 } },
      decides: { angle: 'elbowFlexion', band: [0, 45] },
    });
    expect(of(drawing, 'face')[0]?.seen).toBe('profile');
    expect(of(drawing, 'sector')).toHaveLength(0);
    expect(drawing.details[0]?.title).toBe('Square to the angle');
  });

  it('shows a tilt of the ankle from the front, beside an angle that is seen from the side', () => {
    const tilted = (talarTilt: number) =>
      drawn({
        position: 'sitting',
        pose: { leg: { ankleDorsiflexion: -30, talarTilt } },
        decides: { angle: 'ankleDorsiflexion', band: [-40, -20] },
      });
    const main = tilted(5);
    const [inset] = main.details;
    expect(of(main, 'sector')).toHaveLength(1);
    expect(inset?.title).toBe('Tilt, 3 times its size');
    const [zero, pointer] = of(inset ?? { shapes: [] }, 'ray').map(({ from, to }) =>
      Math.atan2(to[1] - from[1], to[0] - from[0]),
    );
    const degrees = (((pointer ?? NaN) - (zero ?? NaN)) * 180) / Math.PI;
    expect(Math.abs(degrees)).toBeCloseTo(15, 0);
    expect(tilted(0).details).toEqual([]);
  });
});

describe('a movement', () => {
  it('keeps what the base position says where the start does not', () => {
    // Somebody who sits keeps the knee bent at the start, although only the end names the foot.
    const spec = bare({
      position: 'sitting',
      pose: { leg: { ankleDorsiflexion: 20 } },
      from: { leg: {} },
      region: ['foot'],
    });
    const shank = (share: number) => {
      const { shapes } = drawFigure(spec, { side: 'right', share });
      return shapes.flatMap((s) => (s.kind === 'body' && s.tone !== 'ghost' ? s.parts : []));
    };
    const [start, end] = [shank(0), shank(1)];
    expect(start).toHaveLength(end.length);
    // The foot with its big and its little toe moves; nothing else moves at all.
    const moved = start.filter((part, i) => Math.abs(part.x2 - (end[i]?.x2 ?? NaN)) > 1e-6);
    expect(moved).toHaveLength(3);
  });

  it('says the other side as well where it is set', () => {
    const { text } = drawn({ pose: { otherLeg: { hipFlexion: 110, kneeFlexion: 130 } } }, 'left');
    expect(text).toMatch(/left side tested\. Other side: hip bent 110 degrees, knee bent 130/);
  });
});

describe('a movement that is played', () => {
  // The arm is lifted sideways and forwards at once, so that the plane of the angle turns with it.
  const spec = bare({
    position: 'sitting',
    from: { arm: { shoulderFlexion: 0, shoulderAbduction: 0, elbowFlexion: 90 } },
    pose: { arm: { shoulderFlexion: 60, shoulderAbduction: 70, elbowFlexion: 20 } },
    decides: { angle: 'elbowFlexion', band: [0, 40] },
    hands: [{ role: 'moves', segment: 'forearm', at: 0.9, surface: 'outer' }],
    region: ['forearm'],
    closeUp: 'wrist',
  });
  const at = (share: number) => drawFigure(spec, { side: 'right', share });

  it('never changes its view, its box or its details midway', () => {
    const end = at(1);
    const couch = propOf(end, 'couch')?.points;
    const face = of(end, 'face')[0];
    for (const share of [0, 0.1, 0.37, 0.62, 0.9]) {
      const now = at(share);
      expect(now.box).toEqual(end.box);
      expect(propOf(now, 'couch')?.points).toEqual(couch);
      // The head does not move in this one, so neither may what is seen of it.
      expect(of(now, 'face')[0]).toEqual(face);
      expect(now.details.map(({ title }) => title)).toEqual(end.details.map(({ title }) => title));
      expect(of(now, 'sector')).toHaveLength(of(end, 'sector').length);
    }
  });

  it('keeps the small part in the middle of its close-up all along', () => {
    for (const share of [0, 0.5, 1]) {
      const close = at(share).details.find(({ title }) => title === 'The wrist');
      const [l, b, w, h] = close?.box ?? [0, 0, 0, 0];
      const [limb] = of(close ?? { shapes: [] }, 'body');
      // The forearm ends at the wrist.
      const end = limb?.parts[0];
      expect(Math.abs((end?.x2 ?? 9) - (l + w / 2))).toBeLessThan(0.3 * w);
      expect(Math.abs((end?.y2 ?? 9) - (b + h / 2))).toBeLessThan(0.3 * h);
    }
  });
});

describe('a close-up', () => {
  const closeOf = (closeUp: FigureSpec['closeUp'], more: Partial<FigureSpec> = {}) =>
    drawn({ ...(closeUp ? { closeUp } : {}), ...more }).details.at(-1);

  it('shows five fingers and five toes, and the kneecap on the front of the knee', () => {
    const arm = { elbowFlexion: 90, forearmPronation: 0 };
    const hand = closeOf('fingers', { position: 'sitting', pose: { arm } });
    // Forearm and palm share an outline; each finger and the thumb have their own.
    expect(of(hand ?? { shapes: [] }, 'body')).toHaveLength(6);
    const foot = closeOf('toes', { position: 'long-sitting' });
    const parts = of(foot ?? { shapes: [] }, 'body')[0]?.parts ?? [];
    const toes = parts.filter(({ r2 }) => r2 < 0.01);
    expect(toes).toHaveLength(5);
    const knee = closeOf('kneecap');
    const [limb, cap] = of(knee ?? { shapes: [] }, 'body');
    // Lying on the back, the front of the knee is the upper side.
    expect(cap?.parts[0]?.y1).toBeGreaterThan((limb?.parts[0]?.y2 ?? NaN) + 0.02);
  });

  it('moves the kneecap outwards or inwards, three times as far as it is said', () => {
    const across = (kneecapShift: number) => {
      const knee = closeOf('kneecap', { pose: { leg: { kneecapShift } }, view: 'above' });
      return of(knee ?? { shapes: [] }, 'body')[1]?.parts[0]?.y1 ?? NaN;
    };
    // From above, with the head on the left, the right side of the body is below.
    expect(across(0) - across(5)).toBeCloseTo((3 * 0.5) / 175, 5);
    expect(across(-5) - across(0)).toBeCloseTo((3 * 0.5) / 175, 5);
    expect(drawn({ pose: { leg: { kneecapShift: -5 } } }).text).toMatch(
      /kneecap pushed inwards 5 millimetres/,
    );
  });

  it('is looked at from the side where the limb would point at the viewer', () => {
    const end = closeOf('kneecap', { view: 'front' });
    const [limb] = of(end ?? { shapes: [] }, 'body');
    const thigh = limb?.parts[0];
    expect(Math.hypot((thigh?.x2 ?? 0) - (thigh?.x1 ?? 0), 0)).toBeGreaterThan(0.2);
  });
});

describe('the head', () => {
  const headOf = (view: NonNullable<FigureSpec['view']>) => {
    const drawing = drawn({ position: 'standing', view });
    const bodies = of(drawing, 'body').flatMap(({ parts }) => parts);
    const hair = bodies.find(({ fill }) => fill === 'hair');
    const face = of(drawing, 'face')[0];
    return { drawing, bodies, hair, face };
  };

  it('shows nose and chin before the skull in profile, one eye and one ear', () => {
    const { bodies, hair, face } = headOf('side');
    expect(face).toMatchObject({ seen: 'profile' });
    expect(face?.eyes).toHaveLength(1);
    expect(face?.ears).toHaveLength(1);
    // Seen from the right, the face looks to the right of the paper.
    const skull = (hair?.x1 ?? NaN) + (hair?.r1 ?? NaN);
    const nose = bodies.filter(({ r2, fill }) => fill === 'skin' && r2 < 0.0076 && r2 > 0.007);
    expect(nose.some(({ x2, r2 }) => x2 + r2 > skull + 0.015)).toBe(true);
    expect(face?.eyes[0]?.[0]).toBeGreaterThan(hair?.x1 ?? NaN);
    expect(face?.ears[0]?.x1).toBeLessThan(face?.eyes[0]?.[0] ?? NaN);
  });

  it('shows both eyes and the mouth below them from the front', () => {
    const { face } = headOf('front');
    expect(face).toMatchObject({ seen: 'face' });
    expect(face?.eyes).toHaveLength(2);
    const [mouth] = face?.traits ?? [];
    expect(mouth?.[0]?.[1]).toBeLessThan(face?.eyes[0]?.[1] ?? NaN);
  });

  it('shows hair and no face from behind', () => {
    const drawing = drawn({ position: 'prone', view: 'above' });
    const face = of(drawing, 'face')[0];
    expect(face).toMatchObject({ seen: 'back', eyes: [], traits: [] });
    const heads = of(drawing, 'body').find(({ parts }) =>
      parts.some(({ fill }) => fill === 'hair'),
    );
    // What is drawn last covers the rest.
    expect(heads?.parts.at(-1)?.fill).toBe('hair');
  });
});
