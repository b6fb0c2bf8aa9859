import { INTERVALS } from '@kritikos/core/agreement/bootstrapSubjects';
import { LEVELS } from '@kritikos/core/agreement/krippendorffAlpha';
import { WEIGHT_SCHEMES } from '@kritikos/core/agreement/weights';
import { kendall, marginal, sampleSize } from './raters.ts';
import type { SampleSizeFlags } from './raters.ts';
import { Option } from 'commander';
import { agreement } from './agreement.ts';
import type { AgreementFlags } from './agreement.ts';
import { limitsOfAgreement } from './measurements.ts';
import { fileVerb, print, verb } from './command.ts';
import type { Output } from './command.ts';
import { number, resamples, whole, withSeed, words } from './flags.ts';

// The verbs on raters: how far they agree, and how many candidates it takes to know.

withSeed(
  fileVerb(
    'agreement',
    'agreement of two or more raters',
    'agreement ratings.csv --level ordinal --weights linear --json',
  ),
  'seed of the bootstrap',
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
  .option('--scale <grades>', 'the grades from the lowest to the highest, "0,1,2,3,5"', words)
  .option(
    '--weight-table <file>',
    'agreement weights of your own, one line and column a grade',
    words,
  )
  .option('--by-candidate', 'errors by candidates, where each has several items or stations')
  .option('--resamples <n>', 'bootstrap every coefficient over subjects', resamples)
  .addOption(
    new Option('--interval <kind>', 'bootstrap interval').choices(INTERVALS).default('percentile'),
  )
  .action(async (file: string, flags: AgreementFlags & Output) =>
    print(await agreement(file, flags), flags),
  );

fileVerb('kendall', 'concordance of rankings (Kendall’s W)', 'kendall ratings.csv --json')
  .argument('<ratings.csv>', 'wide or long')
  .action(async (file: string, flags: Output) => print(await kendall(file), flags));

fileVerb(
  'marginal',
  'whether two raters use the marks equally often (Stuart-Maxwell, McNemar)',
  'marginal ratings.csv --scale 0,1,2 --json',
)
  .argument('<ratings.csv>', 'wide or long, two raters')
  .option('--scale <grades>', 'the grades from the lowest to the highest, "0,1,2"', words)
  .action(async (file: string, flags: { scale?: string } & Output) =>
    print(await marginal(file, flags), flags),
  );

verb(
  'sample-size',
  'how many double-marked candidates an interval of a wished half-width takes',
  'sample-size --kappa 0.6 --prevalence 0.7 --half-width 0.15 --json',
)
  .option(
    '--kappa <k>',
    'the kappa expected of two examiners',
    number({ from: -1, to: 1, open: true }),
  )
  .option(
    '--prevalence <p>',
    'share of the commoner mark',
    number({ from: 0, to: 1, open: true }),
    0.5,
  )
  .option(
    '--icc <r>',
    'or the intraclass correlation expected',
    number({ from: -1, to: 1, open: true }),
  )
  .option(
    '--raters <n>',
    'examiners of each candidate, with --icc',
    whole({ from: 2, to: 1000 }),
    2,
  )
  .requiredOption(
    '--half-width <w>',
    'half of the interval’s width',
    number({ from: 0.001, to: 1 }),
  )
  .action((flags: SampleSizeFlags & Output) => print(sampleSize(flags), flags));

fileVerb(
  'bland-altman',
  'limits of agreement of two measurements',
  'bland-altman angles.csv --json',
)
  .argument('<pairs.csv>', 'wide: subject, first, second measurement')
  .action(async (file: string, flags: Output) => print(await limitsOfAgreement(file), flags));
