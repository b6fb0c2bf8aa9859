import { INTERVALS } from '@kritikos/core/agreement/bootstrapSubjects';
import { LEVELS } from '@kritikos/core/agreement/krippendorffAlpha';
import { WEIGHT_SCHEMES } from '@kritikos/core/agreement/weights';
import { Command, InvalidArgumentError, Option } from 'commander';
import { accuracy } from './accuracy.ts';
import type { AccuracyFlags } from './accuracy.ts';
import { agreement } from './agreement.ts';
import type { AgreementFlags } from './agreement.ts';
import { BadInput } from './badInput.ts';
import { present } from './present.ts';
import { icc, reliability } from './reliability.ts';
import { standard, STANDARD_METHODS } from './standard.ts';
import type { StandardFlags } from './standard.ts';
import { variance } from './variance.ts';

const USER_ERROR = 2;

function number(text: string): number {
  const value = Number(text.replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value))
    throw new InvalidArgumentError(`"${text}" is not a number.`);
  return value;
}

function whole(text: string): number {
  const value = number(text);
  if (!Number.isInteger(value) || value < 0)
    throw new InvalidArgumentError(`"${text}" is not a whole number, 0 or more.`);
  return value;
}

function print(result: object, { json }: { json?: boolean }): void {
  process.stdout.write(json ? `${JSON.stringify(result, null, 2)}\n` : present(result));
}

const program = new Command('kritikos')
  .description(
    'Agreement, reliability, standards and accuracy of practical examinations, from a spreadsheet.',
  )
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : USER_ERROR))
  .showHelpAfterError();

const verb = (name: string, description: string, example: string) =>
  program
    .command(name)
    .description(description)
    .addHelpText('after', `\nExample:\n  npm run --silent kritikos -- ${example}`)
    .option('--json', 'print one JSON object');

verb(
  'agreement',
  'agreement of two or more raters',
  'agreement ratings.csv --level ordinal --weights linear --json',
)
  .argument(
    '<ratings.csv>',
    'wide (subject, then one column a rater) or long (candidate, examiner, mark)',
  )
  .addOption(
    new Option('--level <level>', 'level of measurement').choices(LEVELS).default('nominal'),
  )
  .addOption(
    new Option('--weights <scheme>', 'weights for partial agreement')
      .choices(WEIGHT_SCHEMES)
      .default('unweighted'),
  )
  .option('--resamples <n>', 'bootstrap every coefficient over subjects', whole)
  .addOption(
    new Option('--interval <kind>', 'bootstrap interval').choices(INTERVALS).default('percentile'),
  )
  .option('--seed <n>', 'seed of the bootstrap', whole, 1)
  .action(async (file: string, flags: AgreementFlags & { json?: boolean }) =>
    print(await agreement(file, flags), flags),
  );

verb('icc', 'the six intraclass correlations', 'icc ratings.csv --json')
  .argument('<ratings.csv>', 'wide or long')
  .action(async (file: string, flags: { json?: boolean }) => print(await icc(file), flags));

verb('reliability', 'alpha and its kin of the columns of a table', 'reliability scores.csv --json')
  .argument('<scores.csv>', 'wide: candidate, then one column an item or station')
  .action(async (file: string, flags: { json?: boolean }) => print(await reliability(file), flags));

verb(
  'variance',
  'variance components by REML',
  'variance marks.csv --model "candidate + examiner" --json',
)
  .argument('<marks.csv>', 'long: a column "mark" and one column a factor')
  .requiredOption(
    '--model <terms>',
    'random terms, for example "candidate + examiner + candidate:station"',
  )
  .option('--fixed <terms>', 'fixed terms; 1 is the intercept', '1')
  .action(async (file: string, flags: { model: string; fixed: string; json?: boolean }) =>
    print(await variance(file, flags.model, flags.fixed), flags),
  );

verb(
  'standard',
  'a pass mark from scores and overall grades',
  'standard scores.csv --method borderline-regression --score score --grade grade --borderline 2.5 --json',
)
  .argument('<scores.csv>', 'one row a candidate')
  .addOption(
    new Option('--method <method>', 'how the cut is found')
      .choices(STANDARD_METHODS)
      .default('borderline-regression'),
  )
  .option('--score <column>', 'column of the score', 'score')
  .option('--grade <column>', 'column of the overall grade', 'grade')
  .option('--borderline <grade>', 'borderline point of the scale', number, 2.5)
  .option('--resamples <n>', 'bootstrap the cut', whole)
  .option('--seed <n>', 'seed of the bootstrap', whole, 1)
  .action(async (file: string, flags: StandardFlags & { json?: boolean }) =>
    print(await standard(file, flags), flags),
  );

verb(
  'accuracy',
  'what a test is worth',
  'accuracy --tp 24 --fp 3 --fn 6 --tn 70 --pretest 0.3 --json',
)
  .requiredOption('--tp <n>', 'true positives', whole)
  .requiredOption('--fp <n>', 'false positives', whole)
  .requiredOption('--fn <n>', 'false negatives', whole)
  .requiredOption('--tn <n>', 'true negatives', whole)
  .option('--pretest <p>', 'chance of the condition before the test', number)
  .action((flags: AccuracyFlags & { json?: boolean }) => print(accuracy(flags), flags));

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof BadInput) {
    process.stderr.write(`${error.message}\n`);
    process.exitCode = USER_ERROR;
  } else {
    process.stderr.write(
      `Something went wrong: ${error instanceof Error ? error.message : String(error)}\n`,
    );
    process.exitCode = 1;
  }
}
