import { describe, expect, it } from 'vitest';
import { decides, figure, holds, moves, own, push, redraw, tape } from './figures.ts';

const STRAIGHT_LEG_RAISE = figure(
  'supine',
  { leg: { hipFlexion: 75, kneeFlexion: 0 }, otherLeg: { hipFlexion: 5 } },
  {
    from: { leg: {} },
    decides: decides('hipFlexion', 70, 90),
    hands: [moves('shank', 0.95, 'back'), holds('thigh', 0.85, 'front')],
    forces: [push('shank', 0.95, 'front', 'back')],
    region: ['thigh'],
  },
);

describe('the drawing of a school', () => {
  it('is the procedure’s where nothing changes', () => {
    expect(redraw(STRAIGHT_LEG_RAISE, {})).toEqual(STRAIGHT_LEG_RAISE);
  });

  it('changes single angles and keeps the others', () => {
    const drawn = redraw(STRAIGHT_LEG_RAISE, { pose: { leg: { hipFlexion: 60 } } });
    expect(drawn.pose).toEqual({
      leg: { hipFlexion: 60, kneeFlexion: 0 },
      otherLeg: { hipFlexion: 5 },
    });
    expect(drawn.hands).toBe(STRAIGHT_LEG_RAISE.hands);
  });

  it('takes hands and forces as whole lists', () => {
    const effort = own(push('shank', 0.9, 'front'));
    const drawn = redraw(STRAIGHT_LEG_RAISE, { hands: [], forces: [effort] });
    expect(drawn.hands).toEqual([]);
    expect(drawn.forces).toEqual([effort]);
    expect(effort.byPatient).toBe(true);
  });

  it('poses afresh where it says so, without the start of the procedure', () => {
    const drawn = redraw(STRAIGHT_LEG_RAISE, {
      position: 'standing',
      afresh: true,
      pose: { leg: { hipFlexion: -15 } },
      decides: decides('hipFlexion', -30, -10),
    });
    expect(drawn.pose).toEqual({ leg: { hipFlexion: -15 } });
    expect(drawn.from).toBeUndefined();
    expect(drawn.decides?.band).toEqual([-30, -10]);
  });

  it('narrows the band, changes the angle, or lets none decide', () => {
    expect(redraw(STRAIGHT_LEG_RAISE, { band: [80, 90] }).decides).toEqual({
      angle: 'hipFlexion',
      band: [80, 90],
    });
    expect(redraw(STRAIGHT_LEG_RAISE, { decides: null }).decides).toBeUndefined();
  });
});

describe('a tape', () => {
  it('runs from landmark to landmark', () => {
    expect(tape(['trunk', 0.15, 'front'], ['forearm', 1, 'front'])).toEqual({
      kind: 'tape',
      from: { segment: 'trunk', at: 0.15, surface: 'front' },
      to: { segment: 'forearm', at: 1, surface: 'front' },
    });
  });
});
