import type { Sitting } from '@kritikos/contracts/panels';
import type { CompromiseQuestion } from '@kritikos/core/panels/panel';
import type { Difficulty, PanelMethod, Relevance } from '@kritikos/core/panels/panel';

type Method = Sitting['panel']['method'];

export const METHOD_TITLES: Readonly<Record<PanelMethod, string>> = {
  'angoff-percent': 'Angoff, percent',
  'angoff-yes-no': 'Angoff, yes or no',
  'angoff-points': 'Angoff, points',
  ebel: 'Ebel’s grid',
};

/** What a judge is asked to do, in one sentence. */
export function taskWords(method: Method, level: 'item' | 'station'): string {
  const thing = level === 'item' ? 'each item' : 'each station';
  switch (method) {
    case 'angoff-percent':
      return `Think of a hundred borderline candidates. Of ${thing}: what share would they earn?`;
    case 'angoff-yes-no':
      return `Think of one borderline candidate. Of ${thing}: would they earn it, yes or no?`;
    case 'angoff-points':
      return `Think of one borderline candidate. Of ${thing}: how many points would they earn?`;
    case 'ebel':
      return `Say of ${thing} how hard it is for a borderline candidate and how much it matters; then, of each kind, what share they would earn.`;
  }
}

/** What is left to judge, in the words of the judge’s page and of the lead’s. */
export function leftWords({ asked, judged }: { asked: number; judged: number }): string {
  return judged === asked ? 'Everything is judged' : `${asked - judged} left to judge`;
}

/** The candidate whom every judge has in mind. */
export const BORDERLINE =
  'A borderline candidate has just enough: whoever does as well may go on to see patients under supervision, whoever does worse should be examined again.';

/** How fine the scale of a share is: five percent, half a point, a point of a station. */
export function stepsOf(method: Method, points: number, whole: boolean): number {
  if (method !== 'angoff-points') return 20;
  return whole ? points : 2 * points;
}

export function shareWords(method: Method, points: number): (share: number) => string {
  return method === 'angoff-points'
    ? (share) => `${Math.round(share * points * 10) / 10} of ${points}`
    : (share) => `${Math.round(100 * share)} %`;
}

export const DIFFICULTY_WORDS: Readonly<Record<Difficulty, string>> = {
  easy: 'Easy',
  medium: 'Medium',
  hard: 'Hard',
};
export const RELEVANCE_WORDS: Readonly<Record<Relevance, string>> = {
  essential: 'Essential',
  important: 'Important',
  acceptable: 'Nice to have',
};

export const QUESTION_WORDS: Readonly<Record<CompromiseQuestion, string>> = {
  lowestCut: 'What is the lowest pass mark that you could defend, even if everybody passed?',
  highestCut: 'What is the highest pass mark that you could defend, even if many failed?',
  fewestFails: 'What is the smallest share of fails that you could accept?',
  mostFails: 'What is the largest share of fails that you could accept?',
  beukCut: 'What should the pass mark be?',
  passRate: 'At that pass mark, what share of candidates do you expect to pass?',
};
