import { describe, expect, it } from 'vitest';
import { CONDITIONS } from './conditions.ts';
import { choiceOfPatient, patientsFor } from './patientsFor.ts';
import { procedureById } from './procedures.ts';

const of = (...ids: string[]) =>
  ids.map((id) => {
    const found = procedureById(id);
    if (!found) throw new Error(`There is no procedure ${id}.`);
    return found;
  });
const ids = (patients: readonly { id: string }[]) => patients.map(({ id }) => id);

describe('the patients that a station is offered', () => {
  it('begin with those who show something, and have everybody once', () => {
    const { telling, silent, forbidden, others } = patientsFor(of('speed', 'er90-strength'));
    expect(ids(telling)).toContain('biceps-tendon');
    expect(ids(telling)).toContain('posterior-cuff-tear');
    expect(ids(silent)).toContain('nothing-wrong');
    expect(ids(silent)).toContain('ac-joint-pain');
    expect(ids(forbidden)).toEqual(['shoulder-instability']);
    // A torn cruciate has nothing to do at a shoulder.
    expect(ids(others)).toContain('acl-rupture');
    const all = [...telling, ...silent, ...forbidden, ...others];
    expect(ids(all).sort()).toEqual(ids(CONDITIONS).sort());
  });

  it('of no procedure yet are a sound one and all the others', () => {
    const { telling, silent, forbidden, others } = patientsFor([]);
    expect([telling, forbidden]).toEqual([[], []]);
    expect(ids(silent)).toEqual(['nothing-wrong']);
    expect(others).toHaveLength(CONDITIONS.length - 1);
  });
});

describe('the choice of a patient', () => {
  const choose = (procedures: string[], condition: string, degree: 1 | 2 | 3 | null = null) => {
    const choice = choiceOfPatient(of(...procedures), { condition, degree });
    if (choice === null) throw new Error(`There is no condition ${condition}.`);
    return choice;
  };

  it('names what must not be done, from the degree on that forbids it', () => {
    const squat = (degree: 1 | 2 | 3) =>
      choose(['functional-comparators'], 'knee-effusion-large', degree).forbids.length;
    expect([squat(1), squat(2), squat(3)]).toEqual([0, 1, 1]);
  });

  it('names what cannot be set up', () => {
    const { cannot, forbids } = choose(['hawkins-kennedy', 'tape-er0'], 'frozen-shoulder');
    expect(cannot.map(({ procedure }) => procedure.id)).toEqual(['hawkins-kennedy']);
    expect(forbids).toEqual([]);
  });

  it('says where nothing of the patient shows, but not of a sound one', () => {
    expect(choose(['speed'], 'acl-rupture').showsNothing).toBe(true);
    expect(choose(['speed'], 'nothing-wrong').showsNothing).toBe(false);
    expect(choose(['speed'], 'biceps-tendon').showsNothing).toBe(false);
    expect(choose([], 'acl-rupture').showsNothing).toBe(false);
  });

  it('says nothing of a condition that came with a file and that nobody knows', () => {
    const known = { condition: 'acl-rupture', degree: null };
    expect(choiceOfPatient(of('speed'), { ...known, condition: 'house-disease' })).toBeNull();
    expect(choiceOfPatient(of('speed'), { ...known, also: 'house-disease' })).toBeNull();
  });
});
