import type { SpawnOptions } from 'node:child_process';

export function keepRunning(
  args: readonly string[],
  options: {
    say(words: string): void;
    ended(code: number): void;
    pauses?: readonly number[];
  } & SpawnOptions,
): { stop(longestMilliseconds: number): void };
