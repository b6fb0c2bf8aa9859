import { USUAL_ASSUMPTIONS } from '@kritikos/core/rehearsal/assumptions';
import { describe, expect, it } from 'vitest';
import { ASSUMPTION_FIELDS, namedFaults } from './assumptionFields.ts';

const asked = {
  assumptions: USUAL_ASSUMPTIONS,
  rehearsals: 200,
  seed: 7,
  pairs: 36,
  asMarked: true,
};
const field = (name: string) => {
  const found = ASSUMPTION_FIELDS.find((one) => one.name === name);
  if (!found) throw new Error(name);
  return found;
};

describe('the fields of what is supposed', () => {
  it('write back what they read, and nothing else', () => {
    for (const own of ASSUMPTION_FIELDS) {
      expect(own.write(asked, String(own.read(asked))), own.name).toEqual(asked);
    }
  });

  it('show slips in percent of the marks and keep them as a share', () => {
    expect(field('slips').write(asked, '3').assumptions.slips).toBeCloseTo(0.03, 12);
  });

  it('leave the pairs to the plan where nothing is said, but never the rehearsals', () => {
    expect(field('pairs').write(asked, '').pairs).toBeNull();
    expect(field('rehearsals').write(asked, '').rehearsals).toBe(0);
  });

  it('say a fault under the name that stands on the page', () => {
    expect(namedFaults({ ability: 'must not be below 0', plan: 'is missing' })).toEqual([
      'Ability must not be below 0',
      'plan is missing',
    ]);
  });
});
