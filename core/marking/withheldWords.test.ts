import { expect, it } from 'vitest';
import { withheldWords } from './withheldWords.ts';

it('says what must not be done, why, and how much is not asked for it', () => {
  const why = 'The heel cord is torn; a stretch pulls its ends apart.';
  const of = (...acts: string[]) => withheldWords({ procedure: 'ankle-length', why, acts });
  expect(of('Reads the angle', 'Holds the heel')).toBe(
    'Must not be done on this patient. The heel cord is torn; a stretch pulls its ends apart. 2 items are not asked.',
  );
  expect(of('Reads the angle')).toMatch(/One item is not asked\.$/);
});
