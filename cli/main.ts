import { INTERVALS } from '@kritikos/core/agreement/bootstrapSubjects';
import { LEVELS } from '@kritikos/core/agreement/krippendorffAlpha';
import { WEIGHT_SCHEMES } from '@kritikos/core/agreement/weights';
import { Command, InvalidArgumentError, Option } from 'commander';
import { accuracy } from './accuracy.ts';
import type { AccuracyFlags } from './accuracy.ts';
import { agreement } from './agreement.ts';
import type { AgreementFlags } from './agreement.ts';
import { BadInput } from './badInput.ts';
import { circuit } from './circuit.ts';
import type { CircuitFlags } from './circuit.ts';
import { dstudy, rasch } from './facets.ts';
import type { DStudyFlags } from './facets.ts';
import { EXPORTS } from './formats.ts';
import type { Export } from './formats.ts';
import { limitsOfAgreement } from './measurements.ts';
import { angoffCut, decisionsAtCut, hofsteeCut } from './panel.ts';
import type { HofsteeFlags, LivingstonLewisFlags } from './panel.ts';
import { present } from './present.ts';
import { withReadingFlags } from './readingFlags.ts';
import { icc, reliability } from './reliability.ts';
import { standard, STANDARD_METHODS } from './standard.ts';
import type { StandardFlags } from './standard.ts';
import { variance } from './variance.ts';

const USER_ERROR = 2;

function number(text: string): number {
  const value = Number(text.replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value)) {
    throw new InvalidArgumentError(`"${text}" is not a number.`);
  }
  return value;
}

function whole(text: string): number {
  const value = number(text);
  if (!Number.isInteger(value) || value < 0) {
    throw new InvalidArgumentError(`"${text}" is not a whole number, 0 or more.`);
  }
  return value;
}

interface Output {
  json?: boolean;
}

function print(result: object, { json }: Output): void {
  process.stdout.write(json ? `${JSON.stringify(result, null, 2)}\n` : present(result));
}

const program = new Command('kritikos')
  .description(
    'Agreement, reliability, standards and accuracy of practical examinations, from a spreadsheet.',
  )
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : USER_ERROR))
  .showHelpAfterError();

/** A verb that reads a CSV file, with the flags that say how. */
function fileVerb(name: string, description: string, example: string): Command {
  return withReadingFlags(verb(name, description, example));
}

function verb(name: string, description: string, example: string): Command {
  return program
    .command(name)
    .description(description)
    .addHelpText('after', `\nExample:\n  npm run --silent kritikos -- ${example}`)
    .option('--json', 'print one JSON object');
}

fileVerb(
  'agreement',
  'agreement of two or more raters',
  'agreement ratings.csv --level ordinal --weights linear --json',
)
  .argument(
    '<ratings.csv>',
    'wide (subject, one column a rater) or long (candidate, examiner, mark)',
  )
  .addOption(
    new Option('--level <level>', 'level of measurement').choices(LEVELS).default('nominal'),
  )
  .addOption(
    new Option('--weights <scheme>', 'weights for partial agreement')
      .choices(WEIGHT_SCHEMES)
      .default('unweighted'),
  )
  .option('--scale <grades>', 'the grades from the lowest to the highest, "0,1,2,3,5"')
  .option('--weight-table <file>', 'agreement weights of your own, one line and column a grade')
  .option('--resamples <n>', 'bootstrap every coefficient over subjects', whole)
  .addOption(
    new Option('--interval <kind>', 'bootstrap interval').choices(INTERVALS).default('percentile'),
  )
  .option('--seed <n>', 'seed of the bootstrap', whole, 1)
  .action(async (file: string, flags: AgreementFlags & Output) =>
    print(await agreement(file, flags), flags),
  );

/** Loaded on demand: the statistics do not wait for a hundred procedures. */
const theCatalogue = () => import('./catalogue.ts');
const asJson = (content: object) => process.stdout.write(`${JSON.stringify(content, null, 2)}\n`);

program
  .command('catalogue')
  .description('the catalogue, one procedure, its checklist or FHIR Questionnaire, as JSON')
  .argument('[procedure]', 'id of a procedure; without it, all of them')
  .addOption(new Option('--as <format>', 'what to write').choices(EXPORTS).default('catalogue'))
  .option('--schema', 'write the JSON Schema of the format instead')
  .addHelpText(
    'after',
    '\nExample:\n  npm run --silent kritikos -- catalogue elbow-valgus-stress --as fhir',
  )
  .action(async (id: string | undefined, { as, schema }: { as: Export; schema?: boolean }) => {
    const { exported, schemaOf } = await theCatalogue();
    if (schema && as === 'fhir') {
      throw new BadInput('FHIR publishes the schema of a Questionnaire; ask for another format.');
    }
    asJson(schema ? schemaOf(as as Exclude<Export, 'fhir'>) : exported(id, as));
  });

verb('check', 'whether a catalogue or checklist file can be taken', 'check my-checklist.json')
  .argument('<file.json>', 'catalogue, checklist, or FHIR Questionnaire')
  .action(async (file: string, flags: Output) => {
    const { checked } = await theCatalogue();
    print(await checked(file), flags);
  });

fileVerb('icc', 'the six intraclass correlations', 'icc ratings.csv --json')
  .argument('<ratings.csv>', 'wide or long')
  .action(async (file: string, flags: Output) => print(await icc(file), flags));

fileVerb(
  'reliability',
  'alpha and its kin of the columns of a table',
  'reliability scores.csv --json',
)
  .argument('<scores.csv>', 'wide: candidate, then one column an item or station')
  .action(async (file: string, flags: Output) => print(await reliability(file), flags));

fileVerb(
  'variance',
  'variance components by REML',
  'variance marks.csv --model "candidate + examiner" --json',
)
  .argument('<marks.csv>', 'long: a column "mark" and one column a factor')
  .requiredOption('--model <terms>', 'random terms: "candidate + examiner + candidate:station"')
  .option('--fixed <terms>', 'fixed terms; 1 is the intercept', '1')
  .action(async (file: string, flags: { model: string; fixed: string } & Output) =>
    print(await variance(file, flags.model, flags.fixed), flags),
  );

fileVerb(
  'dstudy',
  'what designs of other sizes would be worth (generalizability)',
  'dstudy marks.csv --facets "candidate + station" --sizes "station=8,12,16" --wished 0.8 --json',
)
  .argument('<marks.csv>', 'long: a column "mark" and one column a facet')
  .requiredOption('--facets <names>', 'the object first: "candidate + station + examiner"')
  .requiredOption('--sizes <numbers>', 'numbers to try: "station=8,12 examiner=1,2"')
  .option('--nested <pairs>', 'facets nested in others: "examiner:station"')
  .option('--cut <score>', 'dependability at this cut', number)
  .option('--wished <phi>', 'the cheapest design with this dependability', number)
  .option('--minutes <n>', 'minutes of one examiner with one candidate at one station', number, 10)
  .option('--hours <n>', 'examiner-hours that there are at most', number)
  .action(async (file: string, flags: DStudyFlags & Output) =>
    print(await dstudy(file, flags), flags),
  );

fileVerb(
  'rasch',
  'ability, difficulty and severity on one scale (many-facet Rasch)',
  'rasch marks.csv --facets "candidate + station + examiner" --json',
)
  .argument('<marks.csv>', 'long: a column "mark" of whole grades and one column a facet')
  .option('--facets <names>', 'candidates first', 'candidate + station + examiner')
  .action(async (file: string, flags: { facets: string } & Output) =>
    print(await rasch(file, flags), flags),
  );

fileVerb(
  'bland-altman',
  'limits of agreement of two measurements',
  'bland-altman angles.csv --json',
)
  .argument('<pairs.csv>', 'wide: subject, first, second measurement')
  .action(async (file: string, flags: Output) => print(await limitsOfAgreement(file), flags));

fileVerb(
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
  .option('--percentile <p>', 'cohen: the percentile of the best', number, 0.95)
  .option('--multiplier <m>', 'cohen: the share of it', number, 0.6)
  .option('--k <n>', 'mean-sd: standard deviations below the mean', number, 1)
  .option('--percent <n>', 'fixed: the percentage', number, 50)
  .option('--resamples <n>', 'bootstrap the cut', whole)
  .option('--seed <n>', 'seed of the bootstrap', whole, 1)
  .action(async (file: string, flags: StandardFlags & Output) =>
    print(await standard(file, flags), flags),
  );

fileVerb('angoff', 'a panel’s cut', 'angoff judgements.csv --percent --json')
  .argument('<judgements.csv>', 'wide: judge, then one column an item, shares from 0 to 1')
  .option('--percent', 'judgements are percentages')
  .action(async (file: string, flags: { percent?: boolean } & Output) =>
    print(await angoffCut(file, flags), flags),
  );

fileVerb(
  'hofstee',
  'the compromise between acceptable cuts and acceptable fails',
  'hofstee scores.csv --lowest-cut 45 --highest-cut 65 --fewest-fails 0.02 --most-fails 0.3 --json',
)
  .argument('<scores.csv>', 'one row a candidate')
  .option('--score <column>', 'column of the score', 'score')
  .requiredOption('--lowest-cut <score>', 'lowest acceptable cut', number)
  .requiredOption('--highest-cut <score>', 'highest acceptable cut', number)
  .requiredOption('--fewest-fails <share>', 'smallest acceptable share of fails, 0 to 1', number)
  .requiredOption('--most-fails <share>', 'largest acceptable share of fails, 0 to 1', number)
  .option('--lowest <score>', 'lowest possible score', number, 0)
  .option('--highest <score>', 'highest possible score', number, 100)
  .action(async (file: string, flags: HofsteeFlags & Output) =>
    print(await hofsteeCut(file, flags), flags),
  );

fileVerb(
  'livingston-lewis',
  'accuracy and consistency of pass and fail at a cut',
  'livingston-lewis scores.csv --reliability 0.8 --cut 60 --json',
)
  .argument('<scores.csv>', 'one row a candidate')
  .option('--score <column>', 'column of the score', 'score')
  .requiredOption('--reliability <r>', 'reliability of the score, between 0 and 1', number)
  .requiredOption('--cut <score>', 'the least score that passes', number)
  .option('--lowest <score>', 'lowest possible score', number, 0)
  .option('--highest <score>', 'highest possible score', number, 100)
  .action(async (file: string, flags: LivingstonLewisFlags & Output) =>
    print(await decisionsAtCut(file, flags), flags),
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
  .action((flags: AccuracyFlags & Output) => print(accuracy(flags), flags));

verb(
  'circuit',
  'the length of a day of rotating stations',
  'circuit --candidates 48 --stations 10 --rests 2 --circuits 2 --minutes 8 --json',
)
  .requiredOption('--candidates <n>', 'candidates', whole)
  .requiredOption('--stations <n>', 'stations with an examiner', whole)
  .option('--rests <n>', 'rest stations', whole, 0)
  .option('--circuits <n>', 'circuits side by side', whole, 1)
  .option('--reading <n>', 'minutes to read before the station', number, 1)
  .option('--minutes <n>', 'minutes at the station', number, 8)
  .option('--changeover <n>', 'minutes between stations', number, 1)
  .option('--break-after <n>', 'slots after which examiners rest; 0 for never', whole, 0)
  .option('--break <n>', 'minutes of rest', number, 15)
  .option('--extra <n>', 'candidates with extra time', whole, 0)
  .option('--extra-share <share>', 'how much more time they get', number, 0.25)
  .action((flags: CircuitFlags & Output) => print(circuit(flags), flags));

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
