import { respond } from '@kritikos/core/catalogue/response';
import { expect, it } from 'vitest';
import { conditionById } from './conditions.ts';
import { withShelf } from './known.ts';
import { withPartedStructures } from './partedStructures.ts';
import type { Procedure } from './procedure.ts';
import { procedureById, PROCEDURES } from './procedures.ts';
import { unknownStructures } from './soundness/patients.ts';

const now = procedureById('ankle-df-straight-bent') as Procedure;
const one = 'soleus or ankle joint';
/** As a school wrote it when soleus and ankle joint were one structure. */
const written: Procedure = {
  ...now,
  id: 'calf-of-the-school',
  structures: ['gastrocnemius', one],
  loads: [{ structure: one, mode: 'stretch' }],
  misleads: now.misleads.map((own) => ({ ...own, lesion: { ...own.lesion, structure: one } })),
  voids: [{ structure: one, state: 'stiff', from: 3, why: 'Nothing moves.' }],
  numbers: now.numbers.map(({ by, ...number }) => ({
    ...number,
    by: by.map((own) => ({ ...own, structure: one })),
  })),
  findings: now.findings.map(({ reading, ...finding }) => ({
    ...finding,
    reading:
      reading.kind === 'site'
        ? { ...reading, sites: [{ option: 'soleus', structures: [one] }] }
        : reading,
  })),
};

it('meets the patients of either part where it was written for both as one', () => {
  expect(unknownStructures(written).length).toBeGreaterThan(0);
  const known = withShelf([written]).find(written.id);
  if (!known) throw new Error('The shelf has lost its procedure.');
  expect(unknownStructures(known)).toEqual([]);
  expect(known.structures).toEqual(['gastrocnemius', 'soleus', 'ankle joint']);
  for (const condition of ['stiff-ankle', 'soleus-tightness']) {
    const { lesions } = conditionById(condition);
    expect(respond(written, lesions).shown).toEqual([]);
    expect(respond(known, lesions).shown.length, condition).toBeGreaterThan(0);
  }
});

it('leaves every procedure of the catalogue as it is', () => {
  for (const procedure of PROCEDURES) expect(withPartedStructures(procedure)).toEqual(procedure);
});
