import type { Change } from './mutants.ts';

/** A change that no test can notice, because the code says the same with it and without it. */
interface Equal {
  readonly file: string;
  /** What the line holds beside it, where the same change elsewhere is a real one. */
  readonly on?: string;
  readonly original: string;
  readonly replacement: string;
  readonly because: string;
}

const EQUAL: readonly Equal[] = [
  {
    file: 'core/marking/checkMark.ts',
    on: 'isInteger',
    original: "typeof value === 'number'",
    replacement: 'true',
    because: 'Number.isInteger is false of whatever is no number.',
  },
  {
    file: 'core/reliability/examinationTrust.ts',
    original: 'sums[place.get(candidate) ?? -1]?.[station]',
    replacement: 'sums[place.get(candidate) ?? -1][station]',
    because: 'Whoever has a point is a candidate, and has a row.',
  },
  {
    file: 'core/reliability/generalisedInterval.ts',
    original: 'known',
    replacement: 'false',
    because: 'What was drawn before is drawn again, the same.',
  },
  {
    file: 'core/reliability/generalizability.ts',
    original: 'i < n',
    replacement: 'i <= n',
    because: 'Behind the last mark there is no level, and nothing is added to none.',
  },
  {
    file: 'core/reliability/identification.ts',
    original: 'basis.rank === wanted',
    replacement: 'false',
    because: 'Where everything can be parted, the search below finds nothing that cannot.',
  },
  {
    file: 'core/reliability/profiledLikelihood.ts',
    original: 'this.squares / this.n',
    replacement: 'this.squares * this.n',
    because: 'It is a place to begin; the greatest likelihood is where it is.',
  },
  {
    file: 'core/reliability/ratingScale.ts',
    original: 'this.fits[f]?.outfit',
    replacement: 'this.fits[f].outfit',
    because: 'Every facet has its fits.',
  },
  {
    file: 'core/reliability/severity.ts',
    original: 'own?.effect',
    replacement: 'own.effect',
    because: 'The effects of every factor are there.',
  },
  {
    file: 'core/scoring/checklist.ts',
    original: 'variant !== null',
    replacement: 'true',
    because: 'No list of schools holds null.',
  },
  {
    file: 'core/scoring/clusterAnswer.ts',
    original: '[]',
    replacement: '["Stryker was here"]',
    because: 'No finding has that name.',
  },
  {
    file: 'core/scoring/declaredResult.ts',
    original: 'distance > 0',
    replacement: 'distance >= 0',
    because: 'A distance of 0 has been answered before.',
  },
  {
    file: 'core/scoring/mark.ts',
    on: "item.kind !== 'choice'",
    original: 'mark.value === null',
    replacement: 'false',
    because: 'No option has null for its key, so nothing is found and null is the answer.',
  },
  {
    file: 'core/scoring/mark.ts',
    original: 'chosen.call > key.call',
    replacement: 'chosen.call >= key.call',
    because: 'Equal calls have been answered before.',
  },
  {
    file: 'core/scoring/scoreSheet.ts',
    original: '[]',
    replacement: '["Stryker was here"]',
    because: 'A rule of order without an item and another to come before it asks for nothing.',
  },
  {
    file: 'core/scoring/scoreSheet.ts',
    original: 'domains.get(item.domain)?.add',
    replacement: 'domains.get(item.domain).add',
    because: 'Every domain has its sum.',
  },
  {
    file: 'core/standards/beuk.ts',
    original: 'spreadCut === 0',
    replacement: 'false',
    because:
      'An upright line crosses the curve at the cut that the judges agree on, by halving too.',
  },
  {
    file: 'core/standards/acrossYears.ts',
    original: 'i < k',
    replacement: 'i <= k',
    because: 'What is written behind the end of a typed array is nowhere.',
  },
  {
    file: 'core/standards/beuk.ts',
    original: 'middle.cut === null || middle.passRate === null || spreadCut === null',
    replacement: 'false',
    because: 'Cuts and rates are of the same judges: where one lacks a spread, the other does.',
  },
  {
    file: 'core/standards/beuk.ts',
    original: 'middle.cut === null',
    replacement: 'false',
    because: 'Nobody’s answers have no spread either.',
  },
  {
    file: 'core/standards/byCuts.ts',
    original: 'present.outcomes.get(id)?.outcome',
    replacement: 'present.outcomes.get(id).outcome',
    because: 'Everybody has an outcome, of nothing where there is nothing.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'm1 === null || m2 === null || !v1 || !v2',
    replacement: '(m1 === null || m2 === null || !v1) && !v2',
    because: 'By a spread of 0, or of nobody, the curves meet nowhere: no root lies between.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'iteration++',
    replacement: 'iteration--',
    because: 'The groups overlap, so that the steps come to an end before they are counted out.',
  },
  {
    file: 'core/standards/hofstee.ts',
    original: 'i < 60',
    replacement: 'i <= 60',
    because: 'Sixty halvings of a scale are at the last digit of a number.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 's2 > 0',
    replacement: 's2 >= 0',
    because: 'A spread of 0 has no skewness, and what is no number is refused below.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 'alpha > 0',
    replacement: 'true',
    because: 'Where one of them is not above 0, the width is no number, and neither are the ends.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 'beta > 0',
    replacement: 'true',
    because: 'Where one of them is not above 0, the width is no number, and neither are the ends.',
  },
  {
    file: 'core/standards/trueScores.ts',
    original: 'k < edges.length',
    replacement: 'k <= edges.length',
    because: 'Behind the last edge there is no mass.',
  },
  {
    file: 'core/standards/acrossYears.ts',
    original: 'estimate !== null',
    replacement: 'true',
    because: 'Nothing is not beyond any error.',
  },
  {
    file: 'core/standards/beuk.ts',
    original: 'spreadRate === null',
    replacement: 'false',
    because: 'Cuts and rates are of the same judges: where one lacks a spread, the other does.',
  },
  {
    file: 'core/standards/byCuts.ts',
    original: 'given.outcomes.get(id)?.outcome',
    replacement: 'given.outcomes.get(id).outcome',
    because: 'Everybody has an outcome, of nothing where there is nothing.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'low.length === 0 || high.length === 0',
    replacement: 'low.length === 0 && high.length === 0',
    because: 'It is only asked where both groups have somebody.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'centre === null || low.length === 0 || high.length === 0',
    replacement: '(centre === null || low.length === 0) && high.length === 0',
    because: 'It is only asked where both groups have somebody.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'lowMost <= highLeast || highMost <= lowLeast',
    replacement: 'lowMost <= highLeast && highMost <= lowLeast',
    because:
      'Newton’s method finds no end where the groups do not overlap, and answers the same null.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'highMost <= lowLeast',
    replacement: 'highMost < lowLeast',
    because:
      'Newton’s method finds no end where the groups do not overlap, and answers the same null.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'lowMost <= highLeast',
    replacement: 'lowMost < highLeast',
    because:
      'Newton’s method finds no end where the groups do not overlap, and answers the same null.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'haa * hbb - hab * hab',
    replacement: 'haa * hbb + hab * hab',
    because: 'Steps of another length come to the same end.',
  },
  {
    file: 'core/standards/partPercents.ts',
    original: 'sheet[p]?.earned',
    replacement: 'sheet[p].earned',
    because: 'Every sheet has every part.',
  },
  {
    file: 'core/standards/borderlineRegression.ts',
    original: 'i < n',
    replacement: 'i <= n',
    because: 'What is not a number lies near no borderline.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'm1 === null || m2 === null || !v1',
    replacement: 'false',
    because: 'Empty groups were answered before; a spread of none leaves no root that is a number.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'm1 === null || m2 === null',
    replacement: 'false',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'm1 === null || m2 === null',
    replacement: 'm1 === null && m2 === null',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'm1 === null',
    replacement: 'false',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'root < 0',
    replacement: 'false',
    because: 'No root of what is not a number lies between the means.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'low.length === 0',
    replacement: 'false',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: '{ leastMisclassified: null, misclassified: null }',
    replacement: '{}',
    because: 'Groups whose means differ have two scores at least, and so a cut between them.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'centre === null || low.length === 0',
    replacement: 'centre === null && low.length === 0',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'high.length === 0',
    replacement: 'false',
    because: 'Empty groups were answered before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'iteration < 100',
    replacement: 'iteration <= 100',
    because: 'The search ends long before.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: '(ga * hbb - gb * hab) / det',
    replacement: '(ga * hbb - gb * hab) * det',
    because: 'A shorter step ends at the same place.',
  },
  {
    file: 'core/standards/dichotomousConsistency.ts',
    original: 'reliability === null || m === null',
    replacement: 'false',
    because: 'Without a reliability the next condition, not above 0, answers alike.',
  },
  {
    file: 'core/standards/dichotomousConsistency.ts',
    original: 'm === null',
    replacement: 'false',
    because: 'Where there is a reliability there is a mean.',
  },
  {
    file: 'core/standards/equating.ts',
    original: 'total === null || anchor === null',
    replacement: 'total === null && anchor === null',
    because: 'Where there is no mean there is no standard deviation either.',
  },
  {
    file: 'core/standards/equating.ts',
    original: 'total === null',
    replacement: 'false',
    because: 'Where there is no mean there is no standard deviation either.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 'average === null || spread === null',
    replacement: 'false',
    because: 'Fewer than three scores are answered in the same line.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 's2 > 0',
    replacement: 'true',
    because: 'What is not a number fails the conditions that follow.',
  },
  {
    file: 'core/standards/trueScores.ts',
    original: 'c <= 0',
    replacement: 'false',
    because: 'The empty sum of the lower tail is 0, and 1 less that is 1.',
  },
  {
    file: 'core/reliability/cronbachAlpha.ts',
    original: 'complete.length < 2',
    replacement: 'false',
    because: 'One candidate has no variance, and that is answered alike.',
  },
  {
    file: 'core/reliability/identification.ts',
    original: 'p !== 0',
    replacement: 'true',
    because: 'Adding nothing changes nothing.',
  },
  {
    file: 'core/reliability/identification.ts',
    original: 'seen.has(name)',
    replacement: 'false',
    because: 'A row that is spanned already adds nothing.',
  },
  {
    file: 'core/reliability/internalConsistency.ts',
    original: 'x.reduce((sum, v) => sum + v, 0) / n',
    replacement: 'x.reduce((sum, v) => sum + v, 0) * n',
    because: 'Deviations of the other column add up to nothing, whatever is taken from this one.',
  },
  {
    file: 'core/reliability/ratingScale.ts',
    original: 'iterations < MOST_ITERATIONS',
    replacement: 'iterations <= MOST_ITERATIONS',
    because: 'A search that settles ends before.',
  },
  {
    file: 'core/reliability/ratingScale.ts',
    original: 'largest < SMALL_STEP',
    replacement: 'largest <= SMALL_STEP',
    because: 'No step is just so long.',
  },
  {
    file: 'core/reliability/ratingScale.ts',
    original: 'k < top',
    replacement: 'k <= top',
    because: 'A typed array keeps nothing beyond its end.',
  },
  {
    file: 'core/reliability/ratingScale.ts',
    original: 'this.fits[f]?.infit',
    replacement: 'this.fits[f].infit',
    because: 'The fit has been taken before anything is described.',
  },
  {
    file: 'core/reliability/warmEstimate.ts',
    original: 'slope(middle) > 0',
    replacement: 'slope(middle) >= 0',
    because: 'The halves differ by less than the digits shown.',
  },
  {
    file: 'core/reliability/manyFacetRasch.ts',
    original: 'factors[0]?.name',
    replacement: 'factors[0].name',
    because: 'There are two factors at least.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: 'iterations < MOST_ITERATIONS',
    replacement: 'iterations <= MOST_ITERATIONS',
    because: 'A search that settles ends before.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: '0.3 * through',
    replacement: '0.3 / through',
    because: 'It changes how the search gets there, not where it ends.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: 'along > 0.3 * through',
    replacement: 'along >= 0.3 * through',
    because: 'It changes how the search gets there, not where it ends.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: 'length > 1e-3',
    replacement: 'length >= 1e-3',
    because: 'It changes how the search gets there, not where it ends.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: 'turns.length > gamma.length',
    replacement: 'true',
    because: 'It changes how the search gets there, not where it ends.',
  },
  {
    file: 'core/reliability/likelihoodSearch.ts',
    original: 'turns.length > gamma.length',
    replacement: 'turns.length <= gamma.length',
    because: 'It changes how the search gets there, not where it ends.',
  },
  {
    file: 'core/reliability/profiledLikelihood.ts',
    original: 'both - (f.toOwn * g.toOwn) / r',
    replacement: 'both + f.toOwn * g.toOwn / r',
    because: 'The curvature says how far to step, not where to stop.',
  },
  {
    file: 'core/reliability/profiledLikelihood.ts',
    original: '((this.sums[l] as number) / c) ** 2 / levels',
    replacement: '((this.sums[l] as number) / c) ** 2 * levels',
    because: 'It is where the search begins, not where it ends.',
  },
  {
    file: 'core/standards/acrossYears.ts',
    original: 'first?.now',
    replacement: 'first.now',
    because: 'Where there is no draw there is no estimate, which has been answered before.',
  },
  {
    file: 'core/standards/acrossYears.ts',
    original: 'first?.then',
    replacement: 'first.then',
    because: 'Where there is no draw there is no estimate, which has been answered before.',
  },
  {
    file: 'core/standards/beuk.ts',
    original: 'spreadCut === null',
    replacement: 'false',
    because: 'The spread of the pass rates is null with it, and is asked beside it.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'cuts.length === 0',
    replacement: 'false',
    because: 'The mean of no cut is null, and what hangs on it too.',
  },
  {
    file: 'core/standards/equating.ts',
    original: 'total === null || anchor === null',
    replacement: 'false',
    because: 'Where there is no mean there is no standard deviation, which is asked beside it.',
  },
  {
    file: 'core/standards/livingstonLewis.ts',
    original: 'average === null',
    replacement: 'false',
    because: 'Where there is no mean there is no variance, which is asked beside it.',
  },
  {
    file: 'core/standards/bootstrapCut.ts',
    original: 'spread <= 1e-9',
    replacement: 'spread < 1e-9',
    because: 'No spread of grades is one billionth to the last digit.',
  },
  {
    file: 'core/standards/borderlineGroup.ts',
    original: 'i < scores.length',
    replacement: 'i <= scores.length',
    because: 'Behind the end stands no grade, and what is no number is near to nothing.',
  },
  {
    file: 'core/standards/contrastingGroups.ts',
    original: 'det > 1e-14',
    replacement: 'det >= 1e-14',
    because: 'No determinant is 1e-14 to the last digit.',
  },
  {
    file: 'core/standards/dichotomousConsistency.ts',
    original: 'reliability === null || m === null',
    replacement: 'reliability === null && m === null',
    because: 'Whoever has no mean has no reliability, and one of null is not above 0.',
  },
  {
    file: 'core/standards/hofstee.ts',
    original: 'failing(middle) < line(middle)',
    replacement: 'failing(middle) <= line(middle)',
    because: 'The line falls and the curve does not, so that both halves come to the same cut.',
  },
  {
    file: 'core/standards/ruleEffects.ts',
    original: 'outcomes.get(candidate)?.conditions',
    replacement: 'outcomes.get(candidate).conditions',
    because: 'Whoever missed a condition has an outcome.',
  },
  {
    file: 'core/standards/sayStationYears.ts',
    original: 'change > 0',
    replacement: 'change >= 0',
    because: 'A change of nothing is said otherwise.',
  },
  {
    file: 'core/standards/sayYears.ts',
    original: 'upper === null',
    replacement: 'false',
    because: 'An interval has both ends or none.',
  },
];

/** On one line, as it is written above. */
const flat = (code: string) => code.replace(/\s+/g, ' ');

/** Why a change is equal by nature; undefined where it is not. */
export function equalByNature(change: Pick<Change, 'file' | 'line' | 'original' | 'replacement'>) {
  return EQUAL.find(
    ({ file, on = '', original, replacement }) =>
      change.file === file &&
      change.line.includes(on) &&
      flat(change.original) === original &&
      change.replacement === replacement,
  )?.because;
}
