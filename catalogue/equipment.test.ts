import { describe, expect, it } from 'vitest';
import { equipmentFor } from './equipment.ts';
import { procedureById } from './procedures.ts';

const needs = (id: string) => {
  const procedure = procedureById(id);
  if (!procedure) throw new Error(id);
  return equipmentFor(procedure);
};

describe('what a procedure needs', () => {
  it('is a couch where somebody lies, and what is measured with', () => {
    expect(needs('lachman-anterior-translation')).toContain('couch');
    expect(needs('elbow-flexion-extension-goniometry')).toContain('goniometer');
    expect(needs('tape-overhead-pull')).toContain('tape measure');
  });

  it('is a step to step down from, and no couch', () => {
    expect(needs('slow-step-down')).toContain('step');
    expect(needs('trendelenburg')).not.toContain('couch');
  });
});
