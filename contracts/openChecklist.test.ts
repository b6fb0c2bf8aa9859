import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
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
    (_, p) => {
      const checklist = liftChecklist(p);
      const file = asOpenChecklist(checklist);
      expect(readOpenChecklist(JSON.stringify(file)).checklist).toEqual(plain(checklist));
      const resource = plain(asQuestionnaire(checklist));
      expect(fromQuestionnaire(resource)).toEqual(plain(file));
    },
  );

  it('read files of the first version for ever, as the second would say them', () => {
    for (const { id, checklist } of PROCEDURES) {
      const old = { format: 'kritikos-checklist', version: 1, procedure: id, checklist };
      const read = readOpenChecklist(JSON.stringify(old));
      expect(read.version).toBe(2);
      expect(read.checklist.items).toEqual(plain(checklist.items));
      expect(read.checklist.procedures).toEqual([
        {
          procedure: id,
          title: id,
          variants: plain(checklist.variants),
          usualVariant: checklist.usualVariant,
        },
      ]);
    }
  });

  // Lantana's general-purpose FHIR library, with the R4 definitions that it ships.
  it('make Questionnaires that a general-purpose FHIR library finds valid', () => {
    const fhir = new Fhir();
    for (const procedure of PROCEDURES) {
      const resource = asQuestionnaire(liftChecklist(procedure));
      const { valid, messages } = fhir.validate(plain(resource) as object);
      const errors = messages.filter((m) => m.severity === 'error' || m.severity === 'fatal');
      expect([valid, errors], procedure.id).toEqual([true, []]);
    }
  });

  it('give every Questionnaire a name that programs can use, one of its own', () => {
    // FHIR R4, invariant que-0 of Questionnaire (cnl-0 in R5).
    const names = PROCEDURES.map((p) => asQuestionnaire(liftChecklist(p)).name);
    for (const name of names) expect(name).toMatch(/^[A-Z]([A-Za-z0-9_]){0,254}$/);
    expect(new Set(names).size).toBe(names.length);
  });

  it('refuse a bad file with path and reason, and take nothing of it', () => {
    const [procedure] = PROCEDURES;
    if (!procedure) throw new Error('empty catalogue');
    const file = plain(asOpenChecklist(liftChecklist(procedure))) as {
      checklist: { items: { text: string }[]; stopRule?: string };
    };
    delete file.checklist.stopRule;
    (file.checklist.items[2] as { text: string }).text = '';
    expect(() => readOpenChecklist(JSON.stringify(file))).toThrow(
      /\/checklist\/items\/2\/text: must not be empty/,
    );
    expect(() => readOpenChecklist(JSON.stringify(file))).toThrow(/\/checklist\/stopRule/);
    expect(() => readOpenChecklist('{')).toThrow(/is not JSON/);
    expect(() => readOpenChecklist('{"format":"other"}')).toThrow(/must be 1 or 2/);
    expect(() => readOpenChecklist('{"format":"other","version":2}')).toThrow(
      /must be "kritikos-checklist"/,
    );
    expect(() => fromQuestionnaire({ resourceType: 'Patient' })).toThrow(/must be "Questionnaire"/);
    const resource = asQuestionnaire(liftChecklist(procedure));
    expect(() => fromQuestionnaire({ ...resource, extension: [] })).toThrow(
      /\/extension: has no extension/,
    );
  });

  it('refuse what is no object, an unknown word in an item, and items that wait for each other', () => {
    for (const content of ['null', '7', '[]']) {
      expect(() => readOpenChecklist(content)).toThrow(
        '/: must be an object with format, version and checklist',
      );
    }
    const [procedure] = PROCEDURES;
    if (!procedure) throw new Error('empty catalogue');
    const file = () =>
      plain(asOpenChecklist(liftChecklist(procedure))) as {
        checklist: { items: { key: string }[]; order: object[] };
      };
    const misspelt = file();
    Object.assign(misspelt.checklist.items[2] ?? {}, { criticalty: 'station' });
    expect(() => readOpenChecklist(JSON.stringify(misspelt))).toThrow(
      '/checklist/items/2/criticalty: is not known here',
    );
    const circle = file();
    const [a, b, c] = circle.checklist.items.map(({ key }) => key);
    const rule = (earns?: string, before?: string) => ({ earns, before });
    circle.checklist.order = [rule(a, b), rule(b, c)];
    expect(() => readOpenChecklist(JSON.stringify(circle))).not.toThrow();
    circle.checklist.order.push(rule(c, a));
    expect(() => readOpenChecklist(JSON.stringify(circle))).toThrow(
      `/checklist/order/0: can never be kept: ${a} must come before ${b} must come before ${c} must come before ${a}`,
    );
  });

  it('publish a JSON Schema', () => {
    const { oneOf } = openChecklistSchema() as { oneOf: { required: string[] }[] };
    expect(oneOf.map(({ required }) => required)).toEqual([
      ['format', 'version', 'procedure', 'checklist'],
      ['format', 'version', 'checklist'],
    ]);
  });
});
