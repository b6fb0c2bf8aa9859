import { CATALOGUE } from '@kritikos/catalogue/known';
import type { BlueprintStationRead } from '@kritikos/contracts/blueprint';
import { blueprintCells } from '@kritikos/core/examinations/blueprint';
import { describe, expect, it } from 'vitest';
import { asNeedy, asWeighed, shownRows } from './blueprintRows.ts';

const station = (procedures: string[]): BlueprintStationRead => ({
  id: procedures.join(),
  position: 1,
  title: 'A station',
  minutes: 8,
  procedures,
  patient: { condition: 'acl-rupture', side: 'left', degree: null },
  equipment: ['pillow'],
  items: [{ key: 'a', text: 'Looks', domain: 'technique', weight: 1, safety: false }],
  bankStationId: 'b',
  bankVersion: 1,
  newest: null,
  retired: false,
  checklistTitle: 'A checklist',
});

describe('the rows of a blueprint', () => {
  it('are regions, kinds or structures of the procedures', () => {
    const lachman = [station(['lachman-anterior-translation'])];
    const rowsAs = (rows: 'region' | 'kind' | 'structure') =>
      blueprintCells(asWeighed(lachman, rows, CATALOGUE)).map(({ row }) => row);
    expect(rowsAs('region')).toEqual(['knee']);
    expect(rowsAs('kind')).toEqual(['laxity']);
    expect(rowsAs('structure')).toContain('anterior cruciate ligament');
  });

  it('show every region though nothing is asked there, and structures that are', () => {
    expect(shownRows('region', ['knee'], [])).toContain('shoulder');
    expect(shownRows('structure', ['b'], ['a'])).toEqual(['a', 'b']);
  });

  it('know what is neither in the catalogue nor on the shelf for what it is', () => {
    const [unknown] = asWeighed([station(['no-such-test'])], 'region', CATALOGUE);
    expect(unknown?.procedures[0]?.rows).toEqual(['not known']);
  });
});

describe('what stations need', () => {
  it('is what they name and what their procedures cannot do without', () => {
    const [needs] = asNeedy([station(['lachman-anterior-translation'])], CATALOGUE);
    expect(needs?.equipment).toEqual(expect.arrayContaining(['pillow', 'couch']));
    expect(needs?.patient).toMatch(/left$/);
  });
});
