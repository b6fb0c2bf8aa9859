import type { StationMethod } from '@kritikos/core/standards/stationMethods';

/** What each method is called on the page, and in a sentence what it does. */
export const METHOD_WORDS: Readonly<
  Record<StationMethod, { readonly title: string; readonly does: string }>
> = {
  'borderline-regression': {
    title: 'Borderline regression',
    does: 'the score that the line of scores on grades gives at the borderline point',
  },
  'borderline-group': {
    title: 'Borderline group, mean',
    does: 'the mean score of those graded borderline',
  },
  'borderline-median': {
    title: 'Borderline group, median',
    does: 'the median score of those graded borderline',
  },
  'contrasting-normal': {
    title: 'Contrasting groups, normal curves',
    does: 'where the curves of those graded below and above the borderline cross',
  },
  'contrasting-logistic': {
    title: 'Contrasting groups, even chances',
    does: 'the score at which being graded above the borderline is as likely as not',
  },
  'contrasting-least': {
    title: 'Contrasting groups, fewest misplaced',
    does: 'the score that puts the fewest candidates on the other side than their grade',
  },
  cohen: {
    title: 'Cohen',
    does: '60 % of what the best twentieth reach',
  },
  'cohen-modified': {
    title: 'Cohen, modified',
    does: '65 % of what the best tenth reach',
  },
  'mean-minus-sd': {
    title: 'Mean less standard deviations',
    does: 'so many standard deviations below the mean; fails a like share of any cohort',
  },
  'fixed-percent': {
    title: 'Fixed percentage',
    does: 'the same percentage every time, however hard the station was',
  },
};
