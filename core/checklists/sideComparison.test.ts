import { describe, expect, it } from 'vitest';
import { comparesSides } from './sideComparison.ts';
import { doneItem } from './testing/soundChecklist.ts';

const compares = (text: string) => comparesSides(doneItem('one', text));

describe('an item that asks for the other side', () => {
  it.each([
    'Tests both sides, the uninvolved side first',
    'Repeats on the opposite leg',
    'Compares with the sound knee',
    'Reads the angle of both knees',
    'Compares left and right',
    'Performs the test bilaterally',
    'Measures the other ankle first',
  ])('is “%s”', (text) => expect(compares(text)).toBe(true));

  it.each([
    'Keeps the other hand off the foot',
    'Holds the other knee on the chest',
    'Rests the ankle above the opposite kneecap',
    'Keeps the opposite pelvis down',
  ])('is not “%s”', (text) => expect(compares(text)).toBe(false));

  it('is one of the domain, or a pair of sides, whatever its words', () => {
    expect(comparesSides(doneItem('one', 'Says which', { domain: 'comparison' }))).toBe(true);
    const done = { kind: 'done' } as const;
    const pair = { ...doneItem('one', 'Reads'), kind: 'sides', left: done, right: done } as const;
    expect(comparesSides(pair)).toBe(true);
  });
});
