import { commonTokens } from '@stryker-mutator/api/plugin';
import type { Mutant } from '@stryker-mutator/api/core';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { seededChance } from '@kritikos/core/numerics/random';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInjector } from 'typed-inject';

/** Words are looked at by people and by the tests of the screens; a changed word breaks no figure. */
export const EXCLUDED = ['StringLiteral'];

/** One small change of the code: where, what stood there, and what stands there instead. */
export interface Change {
  readonly file: string;
  readonly mutator: string;
  /** Line and column count from 0, as the mutation tester counts within a run. */
  readonly from: { readonly line: number; readonly column: number };
  readonly to: { readonly line: number; readonly column: number };
  readonly original: string;
  /** The line that it begins on, as it stands. */
  readonly line: string;
  readonly replacement: string;
}

/** Every change that can be tried in the files of a room of the core; types and tests hold none. */
export async function changesOf(folder: string): Promise<Change[]> {
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .sort()
    .map((name) => join(folder, name));
  const silent = () => undefined;
  const logger = {
    isTraceEnabled: () => false,
    isDebugEnabled: () => false,
    isInfoEnabled: () => false,
    isWarnEnabled: () => false,
    isErrorEnabled: () => false,
    isFatalEnabled: () => false,
    trace: silent,
    debug: silent,
    info: silent,
    warn: silent,
    error: silent,
    fatal: silent,
  };
  const instrumenter = createInjector()
    .provideValue(commonTokens.logger, logger)
    .provideValue(commonTokens.getLogger, () => logger)
    .injectFunction(createInstrumenter);
  const contents = new Map(files.map((name) => [name, readFileSync(name, 'utf8')]));
  const { mutants } = await instrumenter.instrument(
    [...contents].map(([name, content]) => ({ name, content, mutate: true })),
    { plugins: null, excludedMutations: EXCLUDED, ignorers: [] },
  );
  return mutants
    .filter((mutant) => mutant.status !== 'Ignored')
    .map((mutant) => asChange(mutant, contents.get(mutant.fileName) ?? ''));
}

function asChange({ fileName, mutatorName, location, replacement }: Mutant, content: string) {
  return {
    file: fileName,
    mutator: mutatorName,
    from: location.start,
    to: location.end,
    original: textBetween(content, location.start, location.end),
    line: content.split('\n')[location.start.line] ?? '',
    replacement: replacement ?? '',
  };
}

/** The text from one place to another; both count from line 0, column 0. */
export function textBetween(content: string, from: Change['from'], to: Change['to']): string {
  const starts = [0];
  for (let i = 0; i < content.length; i++) if (content[i] === '\n') starts.push(i + 1);
  const offset = ({ line, column }: Change['from']) => (starts[line] ?? content.length) + column;
  return content.slice(offset(from), offset(to));
}

/** A seeded sample without replacement, in the order of the whole; all where there are no more. */
export function sampled<T>(all: readonly T[], size: number, seed: number): T[] {
  const chance = seededChance(seed);
  const order = all.map((_, i) => i);
  for (let i = order.length - 1; i > 0; i--) {
    const j = chance.below(i + 1);
    [order[i], order[j]] = [order[j] as number, order[i] as number];
  }
  const taken = new Set(order.slice(0, size));
  return all.filter((_, i) => taken.has(i));
}

/** What tells a change from every other of the same room, wherever its file has moved since. */
export const keyOf = ({
  file,
  from,
  to,
  mutator,
  replacement,
}: Omit<Change, 'original' | 'line'>) =>
  [file, from.line, from.column, to.line, to.column, mutator, replacement].join('|');
