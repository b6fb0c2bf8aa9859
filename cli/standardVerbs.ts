import { consequences, equate, examRule, huynh } from './decisions.ts';
import type { ConsequencesFlags, EquateFlags, ExamRuleFlags } from './decisions.ts';
import { beukCut, ebelCut, rounds } from './panels.ts';
import { Option } from 'commander';
import type { Command } from 'commander';
import { angoffCut, decisionsAtCut, hofsteeCut } from './panel.ts';
import type { HofsteeFlags, LivingstonLewisFlags } from './panel.ts';
import { years } from './years.ts';
import type { YearsFlags } from './years.ts';
import { standard, STANDARD_METHODS } from './standard.ts';
import type { StandardFlags } from './standard.ts';
import { fileVerb, print } from './command.ts';
import type { Output } from './command.ts';
import {
  named,
  number,
  numbers,
  percent,
  percents,
  places,
  resamples,
  score,
  share,
  whole,
  withSeed,
  words,
} from './flags.ts';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';

// The verbs on pass marks: panels, groups, and what a cut does.

/** A verb whose first file holds the score of one candidate a row. */
function scoresVerb(name: string, description: string, example: string): Command {
  return fileVerb(name, description, example)
    .argument('<scores.csv>', 'one row a candidate')
    .option('--score <column>', 'column of the score', words, 'score');
}

/** The least and the greatest score that the examination allows. */
function withRange(verb: Command): Command {
  return verb
    .option('--lowest <score>', 'lowest possible score', score, 0)
    .option('--highest <score>', 'highest possible score', score, 100);
}

withSeed(
  scoresVerb(
    'standard',
    'a pass mark from scores and overall grades',
    'standard scores.csv --method borderline-regression --score score --grade grade --borderline 2.5 --json',
  ),
  'seed of the bootstrap',
)
  .addOption(
    new Option('--method <method>', 'how the cut is found')
      .choices(STANDARD_METHODS)
      .default('borderline-regression'),
  )
  .option('--grade <column>', 'column of the overall grade', words, 'grade')
  .option('--borderline <grade>', 'borderline point of the scale', score, 2.5)
  .option('--percentile <p>', 'cohen: the percentile of the best, as a share', share, 0.95)
  .option('--multiplier <m>', 'cohen: the share of it', share, 0.6)
  .option('--k <n>', 'mean-sd: standard deviations below the mean', number({ from: -5, to: 5 }), 1)
  .option('--percent <n>', 'fixed: the percentage', percent, 50)
  .option('--resamples <n>', 'bootstrap the cut', resamples)
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
  'rounds',
  'the rounds of an Angoff panel, and its judges against data',
  'rounds round1.csv round2.csv --percent --earned items.csv --json',
)
  .argument('<files...>', 'one file a round: judge, then one column an item')
  .option('--percent', 'judgements are percentages')
  .option(
    '--earned <file>',
    'what candidates earned of the items, shares in columns of those names',
    words,
  )
  .action(async (files: string[], flags: { percent?: boolean; earned?: string } & Output) =>
    print(await rounds(files, flags), flags),
  );

fileVerb(
  'ebel',
  'a panel’s cut by cells of difficulty and relevance',
  'ebel shares.csv --weights 6,4,2 --percent --json',
)
  .argument('<shares.csv>', 'wide: judge, then one column a cell "easy/essential"')
  .requiredOption(
    '--weights <numbers>',
    'what each cell holds, in the order of the columns',
    numbers({ from: 0, to: 1_000_000 }),
  )
  .option('--percent', 'shares are percentages')
  .action(async (file: string, flags: { weights: number[]; percent?: boolean } & Output) =>
    print(await ebelCut(file, flags), flags),
  );

withRange(
  scoresVerb(
    'hofstee',
    'the compromise between acceptable cuts and acceptable fails',
    'hofstee scores.csv --lowest-cut 45 --highest-cut 65 --fewest-fails 0.02 --most-fails 0.3 --json',
  ),
)
  .requiredOption('--lowest-cut <score>', 'lowest acceptable cut', score)
  .requiredOption('--highest-cut <score>', 'highest acceptable cut', score)
  .requiredOption('--fewest-fails <share>', 'smallest acceptable share of fails, 0 to 1', share)
  .requiredOption('--most-fails <share>', 'largest acceptable share of fails, 0 to 1', share)
  .action(async (file: string, flags: HofsteeFlags & Output) =>
    print(await hofsteeCut(file, flags), flags),
  );

withRange(
  scoresVerb(
    'beuk',
    'the compromise of judges’ cuts and expected pass rates',
    'beuk scores.csv judges.csv --json',
  ),
)
  .argument('<judges.csv>', 'one row a judge: columns cut and pass-rate (0 to 1)')
  .action(
    async (
      scores: string,
      judges: string,
      flags: { score: string; lowest: number; highest: number } & Output,
    ) => print(await beukCut(scores, judges, flags), flags),
  );

withRange(
  scoresVerb(
    'consequences',
    'what several cuts would do to the same candidates',
    'consequences scores.csv --cuts "angoff=55,regression=58" --sem 4 --json',
  ),
)
  .requiredOption(
    '--cuts <list>',
    'names and cuts; the first is what the others are held against',
    named({ from: -1e9, to: 1e9 }, 'angoff=55,regression=58', { bare: true }),
  )
  .option('--sem <x>', 'standard error of measurement', number({ from: 0, to: 1e9 }))
  .action(async (file: string, flags: ConsequencesFlags & Output) =>
    print(await consequences(file, flags), flags),
  );

fileVerb(
  'exam-rule',
  'who passes by the rule of an examination',
  'exam-rule stations.csv --cuts 55,60,58 --k 1 --stations 2 --json',
)
  .argument('<stations.csv>', 'wide: candidate, then one column a station, percent')
  .requiredOption('--cuts <numbers>', 'the cut of every station, or one for all', percents)
  .option(
    '--k <n>',
    'standard errors of measurement added to the sum of the cuts',
    number({ from: 0, to: 3 }),
    0,
  )
  .option(
    '--stations <n>',
    'stations that must be passed at least',
    whole({ from: 0, to: 1000 }),
    0,
  )
  .option(
    '--critical <file>',
    'the same table with the critical items missed at each station',
    words,
  )
  .option('--unseen <file>', 'the same table with the critical items that nobody observed', words)
  .option(
    '--parts <file>',
    'wide: candidate, then one column a part, percent over all stations',
    words,
  )
  .option(
    '--reach <parts>',
    'what must be reached in parts, in percent',
    named({ from: 0, to: 100 }, 'communication=60,safety=80', { names: RULE_PARTS }),
  )
  .option(
    '--safety <file>',
    'wide: candidate, laid, open: safety events laid to the candidate, which fail, and not followed up',
    words,
  )
  .option('--critical-fails', 'a missed critical item fails the examination too')
  .action(async (file: string, flags: ExamRuleFlags & Output) =>
    print(await examRule(file, flags), flags),
  );

fileVerb(
  'equate',
  'a better cohort told from an easier paper, by common stations',
  'equate this-year.csv last-year.csv --total total --anchor anchor --score 60 --json',
)
  .argument('<this-year.csv>', 'one row a candidate')
  .argument('<last-year.csv>', 'one row a candidate')
  .option('--total <column>', 'score of the whole paper', words, 'total')
  .option('--anchor <column>', 'score of the common stations', words, 'anchor')
  .addOption(new Option('--method <method>', 'how').choices(['mean', 'linear']).default('linear'))
  .option('--score <x>', 'a score of this year to be turned into last year’s', score)
  .action(async (now: string, then: string, flags: EquateFlags & Output) =>
    print(await equate(now, then, flags), flags),
  );

withSeed(
  fileVerb(
    'years',
    'a better cohort told from an easier paper, with errors, by the stations in common',
    'years this-year.csv last-year.csv --anchors "1=1,2=2,4=3" --json',
  ),
  'seed of the bootstrap',
)
  .argument('<this-year.csv>', 'wide: candidate, then one column a station, percent')
  .argument('<last-year.csv>', 'the same of the other sitting')
  .requiredOption(
    '--anchors <pairs>',
    'stations in common, by their columns: this year=last year',
    places,
  )
  .addOption(new Option('--method <method>', 'how').choices(['mean', 'linear']).default('linear'))
  .option('--resamples <n>', 'draws of the bootstrap', resamples, 1000)
  .action(async (now: string, then: string, flags: YearsFlags & Output) =>
    print(await years(now, then, flags), flags),
  );

withRange(
  scoresVerb(
    'livingston-lewis',
    'accuracy and consistency of pass and fail at a cut',
    'livingston-lewis scores.csv --reliability 0.8 --cut 60 --json',
  ),
)
  .requiredOption(
    '--reliability <r>',
    'reliability of the score',
    number({ from: 0, to: 1, open: true }),
  )
  .requiredOption('--cut <score>', 'the least score that passes', score)
  .action(async (file: string, flags: LivingstonLewisFlags & Output) =>
    print(await decisionsAtCut(file, flags), flags),
  );

scoresVerb(
  'huynh',
  'consistency of pass and fail on right-or-wrong items',
  'huynh scores.csv --items 30 --cut 18 --json',
)
  .requiredOption('--items <n>', 'number of items', whole({ from: 2, to: 10_000 }))
  .requiredOption('--cut <n>', 'the least number right that passes', whole({ from: 0, to: 10_000 }))
  .action(async (file: string, flags: { score: string; items: number; cut: number } & Output) =>
    print(await huynh(file, flags), flags),
  );
