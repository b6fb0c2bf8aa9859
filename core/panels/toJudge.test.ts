import { describe, expect, it } from 'vitest';
import { HOFSTEE_QUESTIONS } from './panel.ts';
import { questionsOf, toJudge } from './toJudge.ts';

const share = (x: number | null) => ({ share: x, placement: null });
const placed = (difficulty: 'easy' | 'hard') => ({
  share: null,
  placement: { difficulty, relevance: 'essential' as const },
});

describe('what is left to judge', () => {
  it('is items and questions together, what was taken back among it', () => {
    const questions = questionsOf({ asksHofstee: true, asksBeuk: false });
    expect(questions).toEqual(HOFSTEE_QUESTIONS);
    expect(questionsOf({ asksHofstee: false, asksBeuk: false })).toEqual([]);
    const subjects = ['a', 'b', 'c'];
    expect(toJudge(subjects, questions, {})).toEqual({ asked: 7, judged: 0 });
    const words = { a: share(0.5), b: share(0), c: share(null), lowestCut: share(0.6) };
    expect(toJudge(subjects, questions, words)).toEqual({ asked: 7, judged: 3 });
  });

  it('is by Ebel each kind too in which the judge has placed something, once', () => {
    const words = { a: placed('easy'), b: placed('easy'), c: placed('hard') };
    expect(toJudge(['a', 'b', 'c', 'd'], [], words)).toEqual({ asked: 6, judged: 3 });
    const said = { ...words, 'essential, easy': share(0.9) };
    expect(toJudge(['a', 'b', 'c', 'd'], [], said)).toEqual({ asked: 6, judged: 4 });
  });
});
