import { describe, expect, it } from 'vitest';
import { patientHas, sayPatient } from './chosenPatient.ts';
import { checklistFor } from './define.ts';
import { procedureById } from './procedures.ts';

const scriptOf = (id: string, chosen: Parameters<typeof patientHas>[0]) => {
  const procedure = procedureById(id);
  if (!procedure) throw new Error(`There is no procedure ${id}.`);
  const made = checklistFor(procedure, patientHas(chosen), 'left');
  const answers = made.items.flatMap((item) => (item.kind === 'choice' ? [item.answer] : []));
  return { script: made.simulatedPatient, answers };
};

describe('a patient with two conditions', () => {
  const both = { condition: 'acl-rupture', degree: null, also: 'medial-meniscus-tear' };

  it('shows either, each to its own degree, and tells both histories', () => {
    const { lesions, history } = patientHas({ ...both, degree: 1 });
    expect(lesions.map(({ structure, degree }) => [structure, degree])).toEqual([
      ['anterior cruciate ligament', 1],
      ['medial meniscus', 2],
    ]);
    expect(history).toContain('gave way on landing');
    expect(history).toContain('twisted while crouching');
    expect(scriptOf('lachman-anterior-translation', both).answers).toContain('grade-3');
    expect(scriptOf('joint-line-tenderness', both).answers).toContain('medial');
  });

  it('is refused where nobody knows the second', () => {
    expect(() => patientHas({ ...both, also: 'gout-of-the-ear' })).toThrow(/gout-of-the-ear/);
  });
});

describe('how a patient behaves', () => {
  const plain = { condition: 'acl-rupture', degree: null };

  it('stands in the script, and changes no key', () => {
    const guarding = scriptOf('lachman-anterior-translation', { ...plain, guards: true });
    const loose = scriptOf('lachman-anterior-translation', { ...plain, loose: true });
    const usual = scriptOf('lachman-anterior-translation', plain);
    expect(guarding.script).toContain('Tense the muscles as soon as force begins');
    expect(loose.script).toContain('Both sides are looser than usual');
    expect(usual.script).not.toMatch(/Tense|looser/);
    expect(guarding.answers).toEqual(usual.answers);
    expect(loose.answers).toEqual(usual.answers);
  });
});

it('is said in a line', () => {
  expect(sayPatient(null)).toBe('as the catalogue describes');
  const chosen = { condition: 'frozen-shoulder', side: 'left', degree: 2 } as const;
  expect(sayPatient(chosen)).toBe('Stiff shoulder capsule, left, degree 2');
  expect(
    sayPatient({ ...chosen, degree: null, also: 'biceps-tendon', guards: true, refrain: true }),
  ).toBe(
    'Stiff shoulder capsule with irritated long biceps tendon, left, guards, to be left untested',
  );
  // A name keeps its capital.
  expect(sayPatient({ ...chosen, degree: null, also: 'achilles-rupture' })).toContain(
    'with ruptured Achilles tendon',
  );
});
