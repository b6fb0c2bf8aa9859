import { respond } from '@kritikos/core/catalogue/response';
import { scoreSheet } from '@kritikos/core/scoring/scoreSheet';
import { describe, expect, it } from 'vitest';
import { conditionAt, conditionById, CONDITIONS } from './conditions.ts';
import { checklistFor } from './define.ts';
import { procedureById, PROCEDURES } from './procedures.ts';
import type { Procedure } from './procedure.ts';

const named = (id: string): Procedure => {
  const found = procedureById(id);
  if (!found) throw new Error(`There is no procedure ${id}.`);
  return found;
};
const resisted = named('er90-strength');
const unstable = conditionById('shoulder-instability');
const checklist = checklistFor(resisted, unstable, 'right');
const keys = checklist.items.map(({ key }) => key);

describe('a patient on whom it must not be done', () => {
  it('is asked about and left alone: preparation stays, what hands would do is not asked', () => {
    expect(keys).toContain('consent');
    expect(keys).toContain('screens');
    for (const { domain, key } of checklist.items) {
      if (domain === 'preparation' || domain === 'communication') continue;
      expect(['refrains', 'refrains-why', 'refrains-instead']).toContain(key);
    }
    expect(checklist.withheld?.[0]?.acts).toContain('Supports the elbow from below');
    expect(checklist.withheld?.[0]?.acts).toContain('States whether it can be held');
    expect(checklist.withheld?.[0]?.whole).toBe(true);
  });

  it('earns everything by refraining and saying why, and fails by doing it all the same', () => {
    const marked = (refrains: 0 | 1) =>
      scoreSheet(
        checklist.items,
        checklist.items.map(({ key }, at) => ({
          item: key,
          value: key === 'refrains' ? refrains : 1,
          observation: 'observed' as const,
          manner: 'done' as const,
          prompted: false,
          at,
        })),
        { [resisted.id]: checklist.usualVariant },
      );
    expect(marked(1)).toMatchObject({ percent: 100, critical: { missed: [] } });
    expect(marked(0).critical.missed).toEqual(['refrains']);
    const [fault] = checklist.faults;
    expect(fault).toMatchObject({ text: 'Does it all the same', item: 'refrains', grade: 0 });
  });

  it('is told to show nothing and to say stop', () => {
    expect(checklist.simulatedPatient).toContain('This test must not be done on you');
    expect(checklist.simulatedPatient).not.toMatch(/Show:|Show nothing/);
  });

  it('loses only the stage that is forbidden, where it is a stage', () => {
    const screen = checklistFor(
      named('ankle-range-passive'),
      conditionAt(conditionById('achilles-rupture'), 3),
      'left',
    );
    expect(screen.withheld?.[0]?.acts).toEqual(['Performs six directions', 'Dorsiflexion stated']);
    expect(screen.withheld?.[0]?.whole).toBeUndefined();
    expect(screen.items.map(({ text }) => text)).toContain('Leaves the upward stretch undone');
    expect(screen.items.map(({ key }) => key)).toContain('end-feel');
  });

  it('makes a sound checklist of every procedure that has such a patient', () => {
    const forbidden = PROCEDURES.flatMap((procedure) =>
      CONDITIONS.flatMap((condition) =>
        ([1, 2, 3] as const)
          .map((degree) => conditionAt(condition, degree))
          .filter(({ lesions }) => respond(procedure, lesions).refrain !== null)
          .map((patient) => [procedure, patient] as const),
      ),
    );
    expect(new Set(forbidden.map(([{ id }]) => id)).size).toBeGreaterThanOrEqual(12);
    for (const [procedure, patient] of forbidden) {
      const made = checklistFor(procedure, patient, 'left');
      const name = `${procedure.id} with ${patient.id}`;
      expect(made.items.length, name).toBeGreaterThanOrEqual(4);
      const known = new Set(made.items.map(({ key }) => key));
      expect(
        made.faults.filter(({ item }) => !known.has(item)),
        name,
      ).toEqual([]);
    }
  });

  it('is named by items that the procedure has, where only some are left out', () => {
    for (const { id, refrains = [], checklist: whole } of PROCEDURES) {
      for (const { items = [], stage } of refrains) {
        expect(items.length > 0, id).toBe(stage !== undefined);
        for (const key of items)
          expect(
            whole.items.map((item) => item.key),
            id,
          ).toContain(key);
      }
    }
  });
});

describe('the options of every finding', () => {
  it('are each right for somebody at some degree, but for the candidate’s own voids', () => {
    const right = new Set<string>();
    for (const procedure of PROCEDURES) {
      for (const condition of CONDITIONS) {
        for (const degree of [1, 2, 3] as const) {
          const made = checklistFor(procedure, conditionAt(condition, degree), 'left');
          for (const item of made.items) {
            if (item.kind === 'choice') right.add(`${procedure.id} ${item.key} ${item.answer}`);
          }
        }
      }
    }
    const never = PROCEDURES.flatMap(({ id, findings }) =>
      findings.flatMap(({ key, options }) =>
        options.map((option) => `${id} ${key} ${option.key}`).filter((name) => !right.has(name)),
      ),
    );
    // A pulse that is lost, a hold that is released early: the trial is void by what hands did.
    expect(never).toEqual([
      'median-nerve-forearm-compression result void',
      'ulnar-nerve-compression-flat result void',
    ]);
  });
});
