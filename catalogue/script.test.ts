import { describe, expect, it } from 'vitest';
import { conditionAt, conditionById } from './conditions.ts';
import { procedureById } from './procedures.ts';
import { scriptFor } from './script.ts';

const script = (procedure: string, condition: string, degree: 1 | 2 | 3 = 2) => {
  const known = procedureById(procedure);
  if (!known) throw new Error(`There is no procedure ${procedure}.`);
  return scriptFor(known, conditionAt(conditionById(condition), degree), 'left');
};

describe('the script of a simulated patient', () => {
  it('can be acted as it is written: which leg stands, and which side of the pelvis drops', () => {
    expect(script('trendelenburg', 'abductor-weakness')).toContain(
      'standing on the left leg, let the right side of the pelvis drop',
    );
  });

  it('points as people do: a hip is cupped, a point touched, a line run along, an area swept', () => {
    const pointing = (condition: string) => script('pain-site-pointing', condition);
    expect(pointing('hip-arthritis')).toContain('cup the hand round the side of the hip');
    expect(pointing('ac-joint-pain')).toContain('put one fingertip on: top of the shoulder');
    expect(pointing('sciatic-irritation')).toContain('run a finger along, tingling: back of');
    expect(pointing('frozen-shoulder')).toContain('sweep a flat hand: all round the shoulder');
  });

  it('says on which motion it hurts, and when', () => {
    expect(script('ankle-range-passive', 'midfoot-sprain')).toContain(
      'when the forefoot is taken out or in',
    );
    expect(script('faber', 'hip-irritation')).toContain('before any hand presses (groin)');
  });

  it('tells what cannot be done, and of a part of it what the rest shows', () => {
    expect(script('hawkins-kennedy', 'frozen-shoulder')).toMatch(
      /about 70 degrees at most.*Do not let it be forced/,
    );
    const swollen = script('resisted-wrist-extension-two-position', 'swollen-elbow');
    expect(swollen).toContain('Do not let it be forced. What can be done shows nothing.');
  });

  it('gives no numbers where nothing can be read', () => {
    expect(script('lift-off', 'frozen-shoulder')).not.toContain('Numbers:');
    expect(script('slr-range', 'hamstring-tightness')).toMatch(/Numbers: .*55° left, 85° right/);
  });
});
