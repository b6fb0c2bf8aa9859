import { GENERATOR, GENERATORS } from '@kritikos/core/numerics/random';
import { InvalidArgumentError } from 'commander';
import type { Command } from 'commander';

/**
 * How the words of a flag become its value. Every flag that takes words has a reader of this file,
 * or a list of choices; a test goes through all verbs and finds one that has neither.
 */
export interface Reader<T> {
  (text: string): T;
  /** What it takes, as its refusal says it. */
  readonly takes: string;
}

/** Where numbers end; every reader of numbers has two ends. */
export interface Limits {
  readonly from: number;
  readonly to: number;
  /** The ends themselves are not taken. */
  readonly open?: boolean;
}

/** A score or a cut on a scale of the person's own. */
const ANY_SCORE: Limits = { from: -1e9, to: 1e9 };
const PERCENT: Limits = { from: 0, to: 100 };
const SHARE: Limits = { from: 0, to: 1 };

const inWords = ({ from, to, open }: Limits) =>
  open ? `above ${said(from)} and below ${said(to)}` : `from ${said(from)} to ${said(to)}`;
const said = (x: number) => x.toLocaleString('en-GB', { maximumFractionDigits: 6 });
const within = (x: number, { from, to, open }: Limits) =>
  open ? x > from && x < to : x >= from && x <= to;

function reader<T>(takes: string, read: (text: string) => T | null): Reader<T> {
  const own = (text: string): T => {
    const value = read(text.trim());
    if (value === null) throw new InvalidArgumentError(`It takes ${takes}, not "${text}".`);
    return value;
  };
  return Object.assign(own, { takes });
}

/** One number as it is written, with a point or a comma; `null` where it is none or could be two. */
function numberIn(text: string): number | null {
  // 1,000 is a thousand to some and one to others.
  if (text === '' || /^[+-]?\d{1,3}(,\d{3})+$/.test(text)) return null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

export function number(limits: Limits): Reader<number> {
  return reader(`a number ${inWords(limits)}`, (text) => {
    const value = numberIn(text);
    return value !== null && within(value, limits) ? value : null;
  });
}

export function whole(limits: Limits): Reader<number> {
  return reader(`a whole number ${inWords(limits)}`, (text) => {
    const value = numberIn(text);
    return value !== null && Number.isInteger(value) && within(value, limits) ? value : null;
  });
}

export const score = number(ANY_SCORE);
export const percents = numbers(PERCENT);
export const percent = number(PERCENT);
export const share = number(SHARE);
/** So many candidates, stations, raters as no examination has. */
export const count = whole({ from: 0, to: 1_000_000 });

/** Words that are taken as they are: names of columns, files, models. */
export const words = reader('some words', (text) => (text === '' ? null : text));

/** "a,b": words with commas between. */
export const list = reader('words with commas between', (text) =>
  text.split(',').map((word) => word.trim()),
);

/** "1,2,3": numbers with commas between. */
export function numbers(limits: Limits): Reader<number[]> {
  return reader(`numbers ${inWords(limits)} with commas between`, (text) => {
    const values = text.split(',').map((part) => pointed(part));
    return values.every((x): x is number => x !== null && within(x, limits)) ? values : null;
  });
}

/** In a list a comma parts numbers, so that they are written with a point. */
function pointed(text: string): number | null {
  return text.trim() === '' || !Number.isFinite(Number(text)) ? null : Number(text);
}

/**
 * "angoff=55,regression=58": names, each once, and a number for each. With `bare` a number alone
 * goes by itself for its name.
 */
export function named(
  limits: Limits,
  example: string,
  { names, bare = false }: { readonly names?: readonly string[]; readonly bare?: boolean } = {},
): Reader<[name: string, value: number][]> {
  const of = names ? ` of ${names.join(', ')}` : '';
  return reader(`names${of}, each once, and numbers ${inWords(limits)}: "${example}"`, (text) => {
    const pairs = text.split(',').map((part): [string, number] | null => {
      const sides = part.split('=').map((side) => side.trim());
      const [name = '', value = ''] = sides.length === 1 && bare ? [sides[0], sides[0]] : sides;
      const read = pointed(value);
      const taken =
        sides.length <= 2 && name !== '' && (names?.includes(name) ?? true) && read !== null;
      return taken && within(read, limits) ? [name, read] : null;
    });
    if (!pairs.every((pair) => pair !== null)) return null;
    return new Set(pairs.map(([name]) => name)).size === pairs.length ? pairs : null;
  });
}

/** "1=1,3=2": places counted from 1, each on either side once. */
export const places = reader(
  'pairs of columns from 1, each used once on either side: "1=1,3=2"',
  (text): [here: number, there: number][] | null => {
    if (text === '') return [];
    const pairs = text.split(',').map((part) => part.split('=').map((side) => pointed(side)));
    const fits = (x: number | null | undefined) => Number.isInteger(x) && (x as number) >= 1;
    if (!pairs.every((pair) => pair.length === 2 && pair.every(fits))) return null;
    const once = (side: 0 | 1) => new Set(pairs.map((pair) => pair[side])).size === pairs.length;
    return once(0) && once(1) ? (pairs as [number, number][]) : null;
  },
);

/** The bootstrap: how often it draws; fewer tell nothing of a limit, more take hours. */
export const resamples = whole({ from: 100, to: 100_000 });
export const seed = whole({ from: 0, to: 2_000_000_000 });

const generator = reader(
  `one of ${GENERATORS.join(', ')}`,
  (text) => GENERATORS.find((own) => String(own) === text) ?? null,
);

/** The flags of whatever draws. */
export function withSeed(verb: Command, says: string): Command {
  return verb
    .option('--seed <n>', says, seed, 1)
    .option(
      '--generator <n>',
      'how the seed becomes chance; 1 for what was signed before there was a second',
      generator,
      GENERATOR,
    );
}
