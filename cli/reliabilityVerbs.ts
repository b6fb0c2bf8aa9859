import { severity } from './raters.ts';
import { dstudy, rasch } from './facets.ts';
import type { DStudyFlags } from './facets.ts';
import { icc, reliability } from './reliability.ts';
import { trust } from './trust.ts';
import type { TrustFlags } from './trust.ts';
import { variance } from './variance.ts';
import { fileVerb, print } from './command.ts';
import type { Output } from './command.ts';
import { number, percent, score, whole, words } from './flags.ts';

// The verbs on scores as measurements: reliability, variances, severity.

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
  .requiredOption(
    '--model <terms>',
    'random terms: "candidate + examiner + candidate:station"',
    words,
  )
  .option('--fixed <terms>', 'fixed terms; 1 is the intercept', words, '1')
  .action(async (file: string, flags: { model: string; fixed: string } & Output) =>
    print(await variance(file, flags.model, flags.fixed), flags),
  );

fileVerb(
  'dstudy',
  'what designs of other sizes would be worth (generalizability)',
  'dstudy marks.csv --facets "candidate + station" --sizes "station=8,12,16" --wished 0.8 --json',
)
  .argument('<marks.csv>', 'long: a column "mark" and one column a facet')
  .requiredOption('--facets <names>', 'the object first: "candidate + station + examiner"', words)
  .requiredOption('--sizes <numbers>', 'numbers to try: "station=8,12 examiner=1,2"', words)
  .option('--nested <pairs>', 'facets nested in others: "examiner:station"', words)
  .option('--cut <score>', 'dependability at this cut', score)
  .option(
    '--wished <phi>',
    'the cheapest design with this dependability',
    number({ from: 0, to: 1, open: true }),
  )
  .option(
    '--minutes <n>',
    'minutes of one examiner with one candidate at one station',
    number({ from: 0.1, to: 1440 }),
    10,
  )
  .option(
    '--hours <n>',
    'examiner-hours that there are at most',
    number({ from: 0, to: 1_000_000 }),
  )
  .action(async (file: string, flags: DStudyFlags & Output) =>
    print(await dstudy(file, flags), flags),
  );

fileVerb(
  'trust',
  'how far an examination can be trusted: alpha, variance shares, dependability',
  'trust sheets.csv --cut 61.5 --json',
)
  .argument('<sheets.csv>', 'long: candidate, station, mark; a row a sheet, in percent')
  .option(
    '--stations <n>',
    'how many stations there were; those of the file unless said',
    whole({ from: 1, to: 1000 }),
  )
  .option('--cut <mean>', 'the mean over the stations that passes', percent)
  .action(async (file: string, flags: TrustFlags & Output) =>
    print(await trust(file, flags), flags),
  );

fileVerb(
  'rasch',
  'ability, difficulty and severity on one scale (many-facet Rasch)',
  'rasch marks.csv --facets "candidate + station + examiner" --json',
)
  .argument('<marks.csv>', 'long: a column "mark" of whole grades and one column a facet')
  .option('--facets <names>', 'candidates first', words, 'candidate + station + examiner')
  .action(async (file: string, flags: { facets: string } & Output) =>
    print(await rasch(file, flags), flags),
  );

fileVerb(
  'severity',
  'how severe every examiner is (mixed model)',
  'severity marks.csv --model "candidate + examiner" --json',
)
  .argument('<marks.csv>', 'long: a column "mark" and one column a factor')
  .requiredOption('--model <terms>', 'random terms: "candidate + station + examiner"', words)
  .option('--examiner <column>', 'the factor whose levels are the examiners', words, 'examiner')
  .action(async (file: string, flags: { model: string; examiner: string } & Output) =>
    print(await severity(file, flags), flags),
  );
