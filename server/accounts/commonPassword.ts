import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';

/** Under ten to the eighth guesses a password falls to a list or a pattern (Wheeler 2016, score 3). */
const STRONG_ENOUGH = 3;

let estimator: ZxcvbnFactory | undefined;

/**
 * Says why a password is too easy to guess, or `null` where it is not. What is known of its owner,
 * such as name and address, counts as known to whoever guesses.
 */
export function whyTooEasy(password: string, known: readonly string[]): string | null {
  estimator ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  });
  const { score, feedback } = estimator.check(password, ['kritikos', ...known]);
  if (score >= STRONG_ENOUGH) return null;
  const hint = feedback.warning ?? feedback.suggestions[0] ?? 'Use a few unrelated words.';
  return `is too easy to guess. ${hint}`;
}
