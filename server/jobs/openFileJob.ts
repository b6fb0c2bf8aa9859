import { openExamination } from '@kritikos/contracts/openExamination';
import type { OpenExamination } from '@kritikos/contracts/openExamination';
import { jsonWithin, Unreadable } from './jsonWithin.ts';

export interface OpenFileJob {
  readonly content: Uint8Array;
}
export type OpenFileRead =
  | { readonly file: OpenExamination }
  | { readonly unreadable: string }
  | { readonly issues: readonly { readonly path: readonly string[]; readonly message: string }[] };

const MOST_NAMED = 50;

/** Runs in a thread of its own limits: an examination as a file, read and held to its format. */
export default function run({ content }: OpenFileJob): OpenFileRead {
  let read: unknown;
  try {
    read = jsonWithin(Buffer.from(content));
  } catch (error) {
    if (error instanceof Unreadable) return { unreadable: error.message };
    throw error;
  }
  const result = openExamination.safeParse(read);
  if (result.success) return { file: result.data };
  const issues = result.error.issues.slice(0, MOST_NAMED);
  return { issues: issues.map(({ path, message }) => ({ path: path.map(String), message })) };
}
