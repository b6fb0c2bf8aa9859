import type { Agreed, Figure } from '@kritikos/contracts/agreement';
import { usualKappa } from '@kritikos/core/agreement/everyCoefficient';
import type { CoefficientName } from '@kritikos/core/agreement/everyCoefficient';

/** The kappa that fits, or another coefficient of one's choice. */
export type Chosen = 'usual' | Exclude<CoefficientName, 'percentAgreement' | 'cohenKappa'>;

/** What can be chosen, with what each holds agreement against. */
export const CHOICES: readonly { value: Chosen; title: string; short: string }[] = [
  {
    value: 'usual',
    title: 'Kappa that fits: Cohen’s, or Conger’s where examiners changed',
    short: 'Kappa',
  },
  {
    value: 'congerKappa',
    title: 'Conger’s kappa: each examiner’s own habits are chance',
    short: 'Conger',
  },
  {
    value: 'fleissKappa',
    title: 'Fleiss’ kappa: one habit of all is chance',
    short: 'Fleiss',
  },
  { value: 'scottPi', title: 'Scott’s pi: the same for two', short: 'Scott’s pi' },
  {
    value: 'lightKappa',
    title: 'Light’s kappa: the mean over the pairs of examiners',
    short: 'Light',
  },
  {
    value: 'brennanPrediger',
    title: 'Brennan-Prediger: every category alike is chance (PABAK)',
    short: 'Brennan-Pr.',
  },
  {
    value: 'gwetAC',
    title: 'Gwet’s AC: holds still where one mark is very common',
    short: 'AC',
  },
  {
    value: 'krippendorffAlpha',
    title: 'Krippendorff’s alpha: marks from one urn are chance',
    short: 'Alpha',
  },
];

/** The coefficient that was chosen; `null` where there is no agreement to speak of. */
export function chosenFigure(agreed: Agreed, chosen: Chosen): Figure | null {
  const { coefficients } = agreed;
  if (chosen !== 'usual') return coefficients[chosen];
  const { cohenKappa, congerKappa } = coefficients;
  return usualKappa<Figure | null>({ cohenKappa, congerKappa });
}

/** What the kappa that fits is called here. */
export function nameOfUsual({ examiners }: Agreed, weighted: boolean): string {
  const whose = examiners === 2 ? 'Cohen’s' : 'Conger’s';
  return `${whose} kappa${weighted ? ', linear weights over the declared grades' : ''}`;
}
