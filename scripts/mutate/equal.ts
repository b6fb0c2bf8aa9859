import type { Change } from './mutants.ts';

/** A change that no test can notice, because the code says the same with it and without it. */
interface Equal {
  readonly file: string;
  /** What the line holds beside it, where the same change elsewhere is a real one. */
  readonly on?: string;
  readonly original: string;
  readonly replacement: string;
  readonly because: string;
}

const EQUAL: readonly Equal[] = [
  {
    file: 'core/marking/checkMark.ts',
    on: 'isInteger',
    original: "typeof value === 'number'",
    replacement: 'true',
    because: 'Number.isInteger is false of whatever is no number.',
  },
  {
    file: 'core/scoring/checklist.ts',
    original: 'variant !== null',
    replacement: 'true',
    because: 'No list of schools holds null.',
  },
  {
    file: 'core/scoring/clusterAnswer.ts',
    original: '[]',
    replacement: '["Stryker was here"]',
    because: 'No finding has that name.',
  },
  {
    file: 'core/scoring/declaredResult.ts',
    original: 'distance > 0',
    replacement: 'distance >= 0',
    because: 'A distance of 0 has been answered before.',
  },
  {
    file: 'core/scoring/mark.ts',
    on: "item.kind !== 'choice'",
    original: 'mark.value === null',
    replacement: 'false',
    because: 'No option has null for its key, so nothing is found and null is the answer.',
  },
  {
    file: 'core/scoring/mark.ts',
    original: 'chosen.call > key.call',
    replacement: 'chosen.call >= key.call',
    because: 'Equal calls have been answered before.',
  },
  {
    file: 'core/scoring/scoreSheet.ts',
    original: '[]',
    replacement: '["Stryker was here"]',
    because: 'A rule of order without an item and another to come before it asks for nothing.',
  },
  {
    file: 'core/scoring/scoreSheet.ts',
    original: 'domains.get(item.domain)?.add',
    replacement: 'domains.get(item.domain).add',
    because: 'Every domain has its sum.',
  },
];

/** Why a change is equal by nature; undefined where it is not. */
export function equalByNature(change: Pick<Change, 'file' | 'line' | 'original' | 'replacement'>) {
  return EQUAL.find(
    ({ file, on = '', original, replacement }) =>
      change.file === file &&
      change.line.includes(on) &&
      change.original === original &&
      change.replacement === replacement,
  )?.because;
}
