import { SIDES } from '@kritikos/core/figure/segments';
import type { Side } from '@kritikos/core/figure/segments';
import { Option } from 'commander';
import { accuracy } from './accuracy.ts';
import type { AccuracyFlags } from './accuracy.ts';
import { BadInput } from './badInput.ts';
import { circuit } from './circuit.ts';
import type { CircuitFlags } from './circuit.ts';
import { EXPORTS } from './formats.ts';
import type { Export } from './formats.ts';
import { print, program, verb } from './command.ts';
import type { Output } from './command.ts';
import { count, number, seed, share, whole, words } from './flags.ts';

// The verbs on tests, on the day and on the catalogue’s files.

/** What a day of an examination can hold; more is a slip of the hand, and would not end. */
const stations = whole({ from: 1, to: 100 });
const rests = whole({ from: 0, to: 100 });
const circuits = whole({ from: 1, to: 100 });
const minutes = number({ from: 0, to: 1440 });
const minutesOfStation = number({ from: 0.1, to: 1440 });

verb(
  'accuracy',
  'what a test is worth',
  'accuracy --tp 24 --fp 3 --fn 6 --tn 70 --pretest 0.3 --json',
)
  .requiredOption('--tp <n>', 'true positives', count)
  .requiredOption('--fp <n>', 'false positives', count)
  .requiredOption('--fn <n>', 'false negatives', count)
  .requiredOption('--tn <n>', 'true negatives', count)
  .option('--pretest <p>', 'chance of the condition before the test', share)
  .action((flags: AccuracyFlags & Output) => print(accuracy(flags), flags));

verb(
  'circuit',
  'the length of a day of rotating stations',
  'circuit --candidates 48 --stations 10 --rests 2 --circuits 2 --minutes 8 --json',
)
  .requiredOption('--candidates <n>', 'candidates', whole({ from: 1, to: 100_000 }))
  .requiredOption('--stations <n>', 'stations with an examiner', stations)
  .option('--rests <n>', 'rest stations', rests, 0)
  .option('--circuits <n>', 'circuits side by side', circuits, 1)
  .option('--reading <n>', 'minutes to read before the station', minutes, 1)
  .option('--minutes <n>', 'minutes at the station', minutesOfStation, 8)
  .option('--changeover <n>', 'minutes between stations', minutes, 1)
  .option('--break-after <n>', 'slots after which examiners rest; 0 for never', count, 0)
  .option('--break <n>', 'minutes of rest', minutes, 15)
  .option('--extra <n>', 'candidates with extra time', count, 0)
  .option('--extra-share <share>', 'how much more time they get', number({ from: 0, to: 2 }), 0.25)
  .action((flags: CircuitFlags & Output) => print(circuit(flags), flags));

verb(
  'plan',
  'the days of an examination: who is where, when, with whom',
  'plan problem.json --seconds 5 --seed 7 --json',
)
  .argument('<problem.json>', 'days, stations, candidates, examiners, simulated patients')
  .option(
    '--seconds <n>',
    'stop searching after so many seconds; building and writing take a few more for thousands of candidates',
    number({ from: 0.1, to: 3600 }),
    5,
  )
  .option('--seed <n>', 'the same seed gives the same plan', seed, 1)
  .action(async (file: string, flags: { seconds: number; seed: number } & Output) => {
    // The solver is only loaded where there is something to plan.
    const { plan } = await import('./plan.ts');
    print(await plan(file, flags), flags);
  });

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

program
  .command('figure')
  .description('the drawing of a procedure, as SVG')
  .argument('<procedure>', 'its id, as the address of its page shows it')
  .addOption(new Option('--side <side>', 'the side tested').choices(SIDES).default('right'))
  .option('--school <key>', 'a school that does it its own way', words)
  .addHelpText(
    'after',
    '\nExample:\n  npm run --silent kritikos -- figure calf-squeeze --side left',
  )
  .action(async (id: string, { side, school }: { side: Side; school?: string }) => {
    const { figureOf } = await theCatalogue();
    process.stdout.write(`${figureOf(id, side, school)}\n`);
  });

verb(
  'check',
  'whether a catalogue or checklist file can be taken, and how a checklist reads',
  'check my-checklist.json --read --minutes 8 --json',
)
  .argument('<file.json>', 'catalogue, checklist, or FHIR Questionnaire')
  .option('--read', 'read a checklist as a second examiner would, and say what is found')
  .option('--minutes <n>', 'with --read: minutes of the station', minutesOfStation)
  .action(async (file: string, flags: CheckFlags) => {
    const { checked, readingOf } = await theCatalogue();
    if (flags.minutes !== undefined && !flags.read) {
      throw new BadInput('--minutes goes with --read.');
    }
    print(await (flags.read ? readingOf(file, flags.minutes) : checked(file)), flags);
  });

interface CheckFlags extends Output {
  read?: boolean;
  minutes?: number;
}
