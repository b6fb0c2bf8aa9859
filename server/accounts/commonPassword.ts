import type { ZxcvbnFactory } from '@zxcvbn-ts/core';

/** Under ten to the eighth guesses a password falls to a list or a pattern (Wheeler 2016, score 3). */
const STRONG_ENOUGH = 3;

let estimator: Promise<ZxcvbnFactory> | undefined;

/** The word lists weigh some megabytes, and most processes never see a new password. */
async function loadEstimator(): Promise<ZxcvbnFactory> {
  const [{ ZxcvbnFactory: Factory }, common, english] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]);
  return new Factory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  });
}

/**
 * Says why a password is too easy to guess, or `null` where it is not. What is known of its owner,
 * such as name and address, counts as known to whoever guesses.
 */
export async function whyTooEasy(
  password: string,
  known: readonly string[],
): Promise<string | null> {
  estimator ??= loadEstimator();
  const { score, feedback } = (await estimator).check(password, ['kritikos', ...known]);
  if (score >= STRONG_ENOUGH) return null;
  const hint = feedback.warning ?? feedback.suggestions[0] ?? 'Use a few unrelated words.';
  return `is too easy to guess. ${hint}`;
}
