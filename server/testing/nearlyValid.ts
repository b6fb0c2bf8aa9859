import fc from 'fast-check';
import { z } from 'zod';

type JsonSchema = z.core.JSONSchema.JSONSchema;

/** Values that have broken servers before: at the edges of types, of columns and of encodings. */
const NASTY: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    0,
    -0,
    -1,
    0.1 + 0.2,
    2 ** 31,
    -(2 ** 31) - 1,
    2 ** 53,
    1e308,
    '',
    ' ',
    '\u0000',
    'a\u0000b',
    '\u000b',
    '\ud800',
    '\u202e',
    '0000-01-01',
    '0000-01-01T00:00:00Z',
    '+275760-09-13T00:00:00.001Z',
    '2026-02-30',
    'Europe/Nowhere',
    '__proto__',
    'constructor',
    "'; drop table account; --",
    '%00',
    '../..',
    [],
    {},
    [[[[[[[[]]]]]]]],
    { __proto__: null, toString: 1 },
    'x'.repeat(20_000),
    '🦴'.repeat(500),
  ),
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.double(),
  fc.jsonValue({ maxDepth: 2 }),
);

/**
 * Bodies that nearly fit a contract: most of each is as the contract says, here and there a value
 * is swapped for one that has broken servers before. What is wholly wrong is refused at the door
 * and tests little. `ids` are ids of rows that exist, for the fields that take one.
 */
export function nearlyValid(contract: z.ZodType, ids: readonly string[]): fc.Arbitrary<unknown> {
  const schema = z.toJSONSchema(contract, { io: 'input', unrepresentable: 'any' });
  return arbitraryOf(schema, schema, ids, 0);
}

function arbitraryOf(
  schema: JsonSchema,
  root: JsonSchema,
  ids: readonly string[],
  depth: number,
): fc.Arbitrary<unknown> {
  if (depth > 8) return NASTY;
  const fits = fittingArbitrary(schema, root, ids, depth + 1);
  return fc.oneof({ weight: 12, arbitrary: fits }, { weight: 1, arbitrary: NASTY });
}

function fittingArbitrary(
  schema: JsonSchema,
  root: JsonSchema,
  ids: readonly string[],
  depth: number,
): fc.Arbitrary<unknown> {
  const within = (own: unknown) => arbitraryOf(own as JsonSchema, root, ids, depth);
  if (schema.$ref !== undefined) {
    const name = schema.$ref.split('/').at(-1) ?? '';
    return within(root.$defs?.[name] ?? {});
  }
  if (schema.const !== undefined) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom<unknown>(...schema.enum);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return fc.oneof(...choices.map(within));
  switch (schema.type) {
    case 'object': {
      const properties = Object.entries(schema.properties ?? {});
      const fields = Object.fromEntries(properties.map(([name, own]) => [name, within(own)]));
      const requiredKeys = (schema.required ?? []).filter((name) => name in fields);
      return fc.record(fields, { requiredKeys });
    }
    case 'array':
      return fc.array(within(schema.items ?? {}), { maxLength: 4 });
    case 'integer':
      return fc.integer({ min: schema.minimum ?? -1000, max: schema.maximum ?? 1000 });
    case 'number':
      return fc.double({ min: schema.minimum ?? -1e6, max: schema.maximum ?? 1e6, noNaN: true });
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    case 'string':
      return stringOf(schema, ids);
    default:
      return NASTY;
  }
}

function stringOf(schema: JsonSchema, ids: readonly string[]): fc.Arbitrary<string> {
  if (schema.format === 'uuid') return fc.oneof(fc.constantFrom(...ids), fc.uuid());
  if (schema.format === 'date') return fc.constantFrom('2026-11-26', '2027-02-28');
  if (schema.format === 'date-time') return fc.date({ noInvalidDate: true }).map(asInstant);
  if (schema.format === 'email') return fc.emailAddress();
  const [least, most] = [schema.minLength ?? 0, Math.min(schema.maxLength ?? 60, 200)];
  return fc.string({ minLength: least, maxLength: Math.max(least, most) });
}

function asInstant(date: Date): string {
  return date.toISOString();
}

/** Files of candidates, most of them with something wrong in them. */
export const candidateFile: fc.Arbitrary<string> = fc
  .array(
    fc.array(
      fc.oneof(
        fc.string({ unit: 'binary', maxLength: 12 }),
        fc.integer().map(String),
        fc.constantFrom('"', '""', ';', '\t', '=1+1', ''),
      ),
      { maxLength: 4 },
    ),
    { maxLength: 6 },
  )
  .map((lines) => ['number,name', ...lines.map((line) => line.join(','))].join('\n'))
  .filter((content) => content.isWellFormed());
