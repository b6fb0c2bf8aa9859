import type { RatedSheet } from '../ratedSheet.ts';

/** A sheet of a test: the categories that were marked place by place, and what they earned. */
export function ratedSheet(
  candidate: number,
  examiner: string,
  categories: RatedSheet['categories'],
  shares: RatedSheet['shares'],
  more: Partial<RatedSheet> = {},
): RatedSheet {
  return {
    id: `${candidate}${examiner}`,
    candidate,
    examiner,
    percent: null,
    variants: '{}',
    categories,
    shares,
    values: {},
    ...more,
  };
}
