import { describe, expect, it } from 'vitest';
import { asQuestion, compareAnswer } from './practice.ts';
import type { FigureSpec } from './spec.ts';

const lachman: FigureSpec = {
  position: 'supine',
  pose: { leg: { hipFlexion: 15, kneeFlexion: 25 } },
  decides: { angle: 'kneeFlexion', band: [20, 30] },
  hands: [{ role: 'holds', segment: 'thigh', at: 0.88, surface: 'front' }],
  forces: [{ kind: 'straight', segment: 'shank', at: 0.2, surface: 'front', towards: 'front' }],
  region: ['shank'],
};

describe('practising on the figure', () => {
  it('asks without giving the answer away', () => {
    const question = asQuestion(lachman, 70, []);
    expect(question.pose.leg).toEqual({ hipFlexion: 15, kneeFlexion: 70 });
    expect(question).toMatchObject({ hands: [], forces: [] });
    expect(question.decides).toBeUndefined();
  });

  // The knee brief's own rule for this test: 20–30 full, 15–19 and 31–35 half.
  it.each([
    [25, 'inside', 0],
    [33, 'near', 3],
    [15, 'near', 5],
    [60, 'outside', 30],
  ] as const)('calls %d degrees %s', (degrees, verdict, off) => {
    expect(compareAnswer(lachman, degrees, [])).toMatchObject({ angle: verdict, off });
  });

  it('wants a hand on the segment, the side and nearly the height', () => {
    const [wanted] = lachman.hands;
    if (!wanted) throw new Error('no hand');
    expect(compareAnswer(lachman, 25, [{ ...wanted, at: 0.75 }]).hands).toEqual([true]);
    expect(compareAnswer(lachman, 25, [{ ...wanted, at: 0.4 }]).hands).toEqual([false]);
    expect(compareAnswer(lachman, 25, [{ ...wanted, surface: 'back' }]).hands).toEqual([false]);
    expect(compareAnswer(lachman, 25, []).hands).toEqual([false]);
  });
});
