import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { Fhir } from 'fhir/fhir.js';
import { describe, expect, it } from 'vitest';
import {
  asOpenChecklist,
  asQuestionnaire,
  fromQuestionnaire,
  openChecklistSchema,
  readOpenChecklist,
} from './openChecklist.ts';

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('open formats', () => {
  it.each(PROCEDURES.map((p) => [p.id, p] as const))(
    'lose nothing of %s there and back',
    (id, p) => {
      const file = asOpenChecklist(id, p.checklist);
      expect(readOpenChecklist(JSON.stringify(file)).checklist).toEqual(plain(p.checklist));
      const resource = plain(asQuestionnaire(id, p.title, p.checklist));
      expect(fromQuestionnaire(resource)).toEqual(plain(file));
    },
  );

  // Lantana's general-purpose FHIR library, with the R4 definitions that it ships.
  it('make Questionnaires that a general-purpose FHIR library finds valid', () => {
    const fhir = new Fhir();
    for (const procedure of PROCEDURES) {
      const resource = asQuestionnaire(procedure.id, procedure.title, procedure.checklist);
      const { valid, messages } = fhir.validate(plain(resource) as object);
      const errors = messages.filter((m) => m.severity === 'error' || m.severity === 'fatal');
      expect([valid, errors], procedure.id).toEqual([true, []]);
    }
  });

  it('refuse a bad file with path and reason, and take nothing of it', () => {
    const [procedure] = PROCEDURES;
    if (!procedure) throw new Error('empty catalogue');
    const file = plain(asOpenChecklist(procedure.id, procedure.checklist)) as {
      checklist: { items: { text: string }[]; stopRule?: string };
    };
    delete file.checklist.stopRule;
    (file.checklist.items[2] as { text: string }).text = '';
    expect(() => readOpenChecklist(JSON.stringify(file))).toThrow(
      /\/checklist\/items\/2\/text: must not be empty/,
    );
    expect(() => readOpenChecklist(JSON.stringify(file))).toThrow(/\/checklist\/stopRule/);
    expect(() => readOpenChecklist('{')).toThrow(/is not JSON/);
    expect(() => readOpenChecklist('{"format":"other"}')).toThrow(/must be "kritikos-checklist"/);
    expect(() => fromQuestionnaire({ resourceType: 'Patient' })).toThrow(/must be "Questionnaire"/);
    const resource = asQuestionnaire(procedure.id, procedure.title, procedure.checklist);
    expect(() => fromQuestionnaire({ ...resource, extension: [] })).toThrow(
      /\/extension: has no extension/,
    );
  });

  it('publish a JSON Schema', () => {
    expect(openChecklistSchema()).toMatchObject({
      type: 'object',
      required: ['format', 'version', 'procedure', 'checklist'],
    });
  });
});
