import { describe, expect, it } from 'vitest';
import { heldDetails } from './heldDetails.ts';

const NOTHING = { candidates: 0, published: false, opened: false, decisions: 0 };

describe('what an examination says of itself', () => {
  it('is all open while nothing hangs on it', () => {
    expect(heldDetails(NOTHING)).toEqual({});
  });

  it('is held by what hangs on it, and by that alone', () => {
    const held = (on: Partial<typeof NOTHING>) =>
      Object.keys(heldDetails({ ...NOTHING, ...on })).sort();
    expect(held({ candidates: 1 })).toEqual(['cohort']);
    expect(held({ published: true })).toEqual(['heldOn', 'zone']);
    expect(held({ opened: true })).toEqual(['heldOn', 'zone']);
    expect(held({ decisions: 1 })).toEqual(['school', 'title']);
  });
});
