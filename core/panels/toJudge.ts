import { BEUK_QUESTIONS, cellKey, HOFSTEE_QUESTIONS } from './panel.ts';
import type { CompromiseQuestion, Placement } from './panel.ts';

/** What a judge has said of a subject; `null` where it was taken back. */
export interface Word {
  readonly share: number | null;
  readonly placement: Placement | null;
}

/** The questions of the examination as a whole that a panel asks. */
export function questionsOf(panel: {
  readonly asksHofstee: boolean;
  readonly asksBeuk: boolean;
}): readonly CompromiseQuestion[] {
  return [
    ...(panel.asksHofstee ? HOFSTEE_QUESTIONS : []),
    ...(panel.asksBeuk ? BEUK_QUESTIONS : []),
  ];
}

/** Whether a judge has said anything of a subject. */
export function isSaid(word: Word | undefined): boolean {
  return word !== undefined && (word.share !== null || word.placement !== null);
}

/**
 * How much a judge is asked, and how much of it they have judged: the items or stations, by Ebel the
 * kinds that they have placed some in, and the questions of the whole. The judge and the lead are
 * told the same number.
 */
export function toJudge(
  subjects: readonly string[],
  questions: readonly string[],
  words: Readonly<Record<string, Word>>,
): { readonly asked: number; readonly judged: number } {
  const cells = subjects.flatMap((subject) => {
    const placement = words[subject]?.placement;
    return placement ? [cellKey(placement)] : [];
  });
  const all = [...subjects, ...new Set(cells), ...questions];
  return { asked: all.length, judged: all.filter((one) => isSaid(words[one])).length };
}
