import { expect, it } from 'vitest';
import { waysToSee } from './waysToSee.ts';

const way = (procedure: string) => ({
  procedure,
  title: procedure,
  variants: [],
  usualVariant: '',
});
const procedures = ['patte', 'ankle-screen', 'speed'].map(way);
const withheld = (procedure: string) => ({ procedure, why: 'It would slip.', acts: ['Presses'] });

it('asks for the way of whatever is done, also where only a stage is forbidden', () => {
  const seen = waysToSee({
    procedures,
    withheld: [{ ...withheld('patte'), whole: true }, withheld('ankle-screen')],
  });
  expect(seen.map(({ procedure }) => procedure)).toEqual(['ankle-screen', 'speed']);
  expect(waysToSee({ procedures })).toEqual(procedures);
});
