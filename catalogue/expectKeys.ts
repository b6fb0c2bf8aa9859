import { describe, expect, it } from 'vitest';
import { CONDITIONS } from './conditions.ts';
import { checklistFor } from './define.ts';
import { procedureById } from './procedures.ts';

/** `[condition, the right answers by finding]`, worked out by hand. */
export type Expected = readonly (readonly [
  condition: string,
  answers: Readonly<Record<string, string>>,
])[];

/** Holds the derived keys of a region's procedures to what a clinician expects of each patient. */
export function expectKeys(region: string, table: Readonly<Record<string, Expected>>): void {
  describe(`the keys of the ${region}`, () => {
    const cases = Object.entries(table).flatMap(([id, expected]) =>
      expected.map(([condition, answers]) => [id, condition, answers] as const),
    );
    it.each(cases)('%s with %s', (id, condition, answers) => {
      expect(keysOf(id, condition)).toMatchObject(answers);
    });
  });
}

/** The derived answers of a procedure for a patient, by finding. */
export function keysOf(id: string, condition: string): Record<string, string> {
  const procedure = procedureById(id);
  const patient = CONDITIONS.find((known) => known.id === condition);
  if (!procedure || !patient) throw new Error(`Not in the catalogue: ${id}, ${condition}`);
  const { items } = checklistFor(procedure, patient, 'right');
  const declared = new Set(procedure.findings.map(({ key }) => key));
  return Object.fromEntries(
    items.flatMap((item) =>
      item.kind === 'choice' && declared.has(item.key) ? [[item.key, item.answer]] : [],
    ),
  );
}
