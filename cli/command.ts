import { Command } from 'commander';
import { present } from './present.ts';
import { withReadingFlags } from './readingFlags.ts';

export const USER_ERROR = 2;

export interface Output {
  json?: boolean;
}

export function print(result: object, { json }: Output): void {
  process.stdout.write(json ? `${JSON.stringify(result, null, 2)}\n` : present(result));
}

export const program = new Command('kritikos')
  .description(
    'Agreement, reliability, standards and accuracy of practical examinations, from a spreadsheet.',
  )
  // The command line says what an end means; see commandLine.ts.
  .exitOverride()
  .showHelpAfterError();

/** A verb that reads a CSV file, with the flags that say how. */
export function fileVerb(name: string, description: string, example: string): Command {
  return withReadingFlags(verb(name, description, example));
}

export function verb(name: string, description: string, example: string): Command {
  return program
    .command(name)
    .description(description)
    .addHelpText('after', `\nExample:\n  npm run --silent kritikos -- ${example}`)
    .option('--json', 'print one JSON object');
}
