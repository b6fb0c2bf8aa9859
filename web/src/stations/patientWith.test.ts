import { simulatedPatient } from '@kritikos/contracts/simulatedPatient';
import { expect, it } from 'vitest';
import { patientWith } from './patientWith.ts';

const torn = { condition: 'acl-rupture', side: 'right', degree: 3 } as const;

it('begins on the left, as the condition says, and says nothing that is not so', () => {
  const first = patientWith(null, { condition: 'acl-rupture' });
  expect(first).toEqual({ condition: 'acl-rupture', side: 'left', degree: null });
  expect(simulatedPatient.parse(first)).toEqual(first);
  expect(patientWith({ ...torn, guards: true }, { guards: false })).toEqual(torn);
  expect(patientWith({ ...torn, also: 'knee-effusion-large' }, { also: null })).toEqual(torn);
});

it('keeps the other parts', () => {
  const all = { ...torn, also: 'knee-effusion-large', loose: true, refrain: true } as const;
  expect(patientWith(all, { side: 'left' })).toEqual({ ...all, side: 'left' });
});

it('with another condition begins anew what is to be left undone, and has no condition twice', () => {
  const all = { ...torn, also: 'knee-effusion-large', refrain: true } as const;
  const now = patientWith(all, { condition: 'knee-effusion-large' });
  expect(now).toEqual({ ...torn, condition: 'knee-effusion-large' });
  expect(simulatedPatient.safeParse(now).success).toBe(true);
});
