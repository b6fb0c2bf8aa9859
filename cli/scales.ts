import { BadInput, badCell } from './badInput.ts';

/** What the numbers of a column can be; whatever lies outside is refused where it stands. */
export interface Scale {
  readonly lowest: number;
  readonly highest: number;
  readonly whole?: boolean;
  /** As the refusal says it: "1500 is not a percentage from 0 to 100". */
  readonly name: string;
}

export const PERCENTAGES: Scale = { lowest: 0, highest: 100, name: 'a percentage' };
export const SHARES: Scale = { lowest: 0, highest: 1, name: 'a share' };
/** More items than a station has; larger counts are a slip of the hand. */
export const COUNTS: Scale = { lowest: 0, highest: 1000, whole: true, name: 'a count' };
/** Scores are as their examination has them. */
export const ANY: Scale = { lowest: -1e15, highest: 1e15, name: 'a number' };

export const scoresOn = (lowest: number, highest: number): Scale => ({
  lowest,
  highest,
  name: 'a score',
});

/** Lets a number through that lies on its scale; otherwise says where it stands and what is allowed. */
export function onItsScale(
  value: number,
  { lowest, highest, whole = false, name }: Scale,
  row: number,
  column: string,
): number {
  if (value >= lowest && value <= highest && (!whole || Number.isInteger(value))) return value;
  const kind = whole ? `${name}, a whole number` : name;
  throw badCell(row, column, `${value} is not ${kind} from ${lowest} to ${highest}`);
}

/** A cut lies on the scale of the scores, or the whole cohort is on one side of it. */
export function cutOn({ lowest, highest }: Scale, flag: string, cut: number): number {
  if (cut >= lowest && cut <= highest) return cut;
  throw new BadInput(
    `${flag} ${cut} does not lie on the scale from ${lowest} to ${highest}; say --lowest and --highest where the scores have another. Nothing was computed.`,
  );
}
