import { Option } from 'commander';
import { list } from './flags.ts';
import type { Command } from 'commander';

export const ENCODINGS = ['utf-8', 'windows-1252', 'utf-16le'] as const;
export const DECIMALS = ['either', 'point', 'comma'] as const;

/** How the files of one run of the command are to be read. */
export interface ReadingFlags {
  encoding: (typeof ENCODINGS)[number];
  decimal: (typeof DECIMALS)[number];
  /** Words that stand for a missing mark, beside the empty cell and NA. */
  missing: readonly string[];
  /** Marks that differ in case only are different marks. */
  asWritten: boolean;
  /** Line ends may change within the file. */
  anyLineEnds: boolean;
}

/** What the command was told; one run reads all its files alike. */
export const reading: ReadingFlags = {
  encoding: 'utf-8',
  decimal: 'either',
  missing: [],
  asWritten: false,
  anyLineEnds: false,
};

/** The flags that every verb with a CSV file takes. */
export function withReadingFlags(verb: Command): Command {
  return verb
    .addOption(
      new Option('--encoding <name>', 'how the file was saved').choices(ENCODINGS).default('utf-8'),
    )
    .addOption(
      new Option('--decimal <sign>', 'decimal sign; either refuses what could be thousands')
        .choices(DECIMALS)
        .default('either'),
    )
    .option('--missing <words>', 'words that mean a missing mark, "NaN,#N/A"', list)
    .option('--as-written', 'take Pass and pass for two different marks')
    .option('--any-line-ends', 'take a file whose line ends change')
    .hook('preAction', (_, action) => {
      const { encoding, decimal, missing, asWritten, anyLineEnds } =
        action.opts<Partial<ReadingFlags>>();
      Object.assign(reading, {
        encoding: encoding ?? 'utf-8',
        decimal: decimal ?? 'either',
        missing: missing ?? [],
        asWritten: asWritten ?? false,
        anyLineEnds: anyLineEnds ?? false,
      });
    });
}
