import type { WorthFigure } from './procedure.ts';

/** A published pair of sensitivity and specificity as it is remembered; verify before it is quoted. */
export function memory(
  of: string,
  sensitivity: number,
  specificity: number,
  source: string,
): WorthFigure {
  return { of, sensitivity, specificity, source, sourceKind: 'from memory' };
}

/** Agreement of examiners as it is remembered. */
export function agreed(kappa: number, source: string): WorthFigure {
  return { of: 'agreement of examiners', kappa, source, sourceKind: 'from memory' };
}

/** Any other published figure, in words. */
export function said(of: string, text: string, source: string): WorthFigure {
  return { of, text, source, sourceKind: 'from memory' };
}
