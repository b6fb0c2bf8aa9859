import type { DecisionSureness } from './decisionSureness.ts';
import type { Standard } from './setStandard.ts';

/** In words what a standard asks for and what it does. `method` is what the method is called. */
export function sayStandard(
  { stations, examCut, passed, failed, incomplete }: Standard,
  method: string,
  sureness: DecisionSureness | null,
): string {
  if (!examCut) {
    return 'There is no standard yet: a station has no cut. Its method needs marked candidates; until then a cut can be set by hand.';
  }
  const k = Math.max(1, stations.length);
  const sentences = [
    `By ${method} the mean over ${k === 1 ? 'one station' : `${k} stations`} must reach ${(examCut.total / k).toFixed(1)} %; ${passed} pass and ${failed} fail.`,
  ];
  if (incomplete > 0) {
    sentences.push(
      incomplete === 1
        ? 'One candidate is incomplete.'
        : `${incomplete} candidates are incomplete.`,
    );
  }
  if (sureness?.quality) {
    const near = sureness.near.length;
    sentences.push(
      `Another examination like this one would decide alike for ${Math.round(100 * sureness.quality.consistency)} of 100; ${near === 0 ? 'nobody lies' : near === 1 ? 'one candidate lies' : `${near} candidates lie`} within one standard error of the mark.`,
    );
  }
  return sentences.join(' ');
}
