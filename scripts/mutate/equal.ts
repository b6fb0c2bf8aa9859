import type { Change } from './mutants.ts';

/** A change that no test can notice, because the code says the same with it and without it. */
interface Equal {
  readonly file: string;
  readonly original: string;
  readonly replacement: string;
  readonly because: string;
}

const EQUAL: readonly Equal[] = [];

/** Why a change is equal by nature; undefined where it is not. */
export function equalByNature(change: Pick<Change, 'file' | 'original' | 'replacement'>) {
  return EQUAL.find(
    ({ file, original, replacement }) =>
      change.file === file && change.original === original && change.replacement === replacement,
  )?.because;
}
