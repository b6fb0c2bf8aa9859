import { BadInput } from './badInput.ts';
import { program, USER_ERROR } from './command.ts';
import './raterVerbs.ts';
import './reliabilityVerbs.ts';
import './standardVerbs.ts';
import './otherVerbs.ts';

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof BadInput) {
    process.stderr.write(`${error.message}\n`);
    process.exitCode = USER_ERROR;
  } else {
    const what = error instanceof Error ? error.message : String(error);
    process.stderr.write(`Something went wrong: ${what}\n`);
    process.exitCode = 1;
  }
}
