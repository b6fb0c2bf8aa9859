import type { z } from 'zod';

/** What is wrong with a file, by path; nothing of it is taken. */
export class RefusedFile extends Error {
  constructor(readonly problems: readonly { readonly path: string; readonly reason: string }[]) {
    super(problems.map(({ path, reason }) => `${path}: ${reason}`).join('\n'));
  }
}

/** JSON of a schema, or a refusal that names every path. */
export function readFile<S extends z.ZodType>(schema: S, text: string): z.output<S> {
  return readContent(schema, parsed(text));
}

export function readContent<S extends z.ZodType>(schema: S, content: unknown): z.output<S> {
  const result = schema.safeParse(content);
  if (result.success) return result.data;
  throw new RefusedFile(
    result.error.issues.map((issue) => ({
      path: `/${issue.path.map(String).join('/')}`,
      reason: issue.message,
    })),
  );
}

/**
 * The same, and nothing of it may be unknown: a word that is spelt wrongly would otherwise be left
 * out, and with it what it was to say.
 */
export function readWhole<S extends z.ZodType>(schema: S, content: unknown): z.output<S> {
  const read = readContent(schema, content);
  const unknown = unknownKeys(content, read, '');
  if (unknown.length === 0) return read;
  throw new RefusedFile(unknown.map((path) => ({ path, reason: 'is not known here' })));
}

/** The paths of what was written and is not in what was read. */
function unknownKeys(written: unknown, read: unknown, path: string): string[] {
  if (typeof written !== 'object' || written === null) return [];
  if (typeof read !== 'object' || read === null) return [];
  return Object.entries(written).flatMap(([key, value]) =>
    key in read
      ? unknownKeys(value, (read as Record<string, unknown>)[key], `${path}/${key}`)
      : [`${path}/${key}`],
  );
}

export function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new RefusedFile([{ path: '/', reason: `is not JSON (${(error as Error).message})` }]);
  }
}

/** Why a file of this version cannot be read; of a newer one, what can be done about it. */
export function whyNotVersion(version: unknown, read: readonly number[]): string {
  const newest = Math.max(...read);
  if (typeof version === 'number' && version > newest) {
    return (
      `is ${version}, and this installation reads up to ${newest}. ` +
      `Save it as version ${newest} where it was written, or bring this installation up to date.`
    );
  }
  return `must be ${read.join(' or ')}`;
}
