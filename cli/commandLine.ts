import { CommanderError } from 'commander';
import { BadInput } from './badInput.ts';
import { program, USER_ERROR } from './command.ts';
import './raterVerbs.ts';
import './reliabilityVerbs.ts';
import './standardVerbs.ts';
import './otherVerbs.ts';

/** Runs one line of the command, and answers with its exit status: 0, 2 for bad input, 1 for a fault. */
export async function commandLine(words: readonly string[]): Promise<number> {
  try {
    await program.parseAsync(words, { from: 'user' });
    return 0;
  } catch (error) {
    // Help and refused flags have been written already.
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : USER_ERROR;
    if (error instanceof BadInput) {
      process.stderr.write(`${error.message}\n`);
      return USER_ERROR;
    }
    const what = error instanceof Error ? error.message : String(error);
    process.stderr.write(`Something went wrong: ${what}\n`);
    return 1;
  }
}
