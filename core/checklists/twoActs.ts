import type { VerbForm } from './actWords.ts';
import { verbIn } from './actWords.ts';
import type { DraftItem } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

interface Word {
  readonly word: string;
  readonly start: number;
  readonly end: number;
}

/** Where one act may end and another begin. */
const JOINED = /^(and|then|plus|&|\+|;|,|\.|\/)$/;
const ADVERB =
  /^(?!(?:apply|supply|reply|rely)$)\w+ly$|^(also|again|next|finally|afterwards?|later|so|to)$/;
const DETERMINER =
  /^(a|an|the|this|that|these|those|each|every|both|all|any|no|one|two|his|her|their|its|it|them|him|self|himself|herself|whether|how|if|which|what|where|who|why|when|at|\d.*)$/;
const PREPOSITION =
  /^(for|of|on|in|to|from|with|by|into|over|under|after|before|during|as|and|or|until|against|between|used|are|is|was|were)$/;
/** Hands that keep a part still do so while others move: two acts in one breath. */
const KEEPS_STILL = new Set([
  'stabilise',
  'stabilize',
  'fix',
  'steady',
  'brace',
  'immobilise',
  'anchor',
  'block',
  'support',
  'hold',
  'grip',
]);

/**
 * The acts of a text, each in words of its own; one where it names one.
 *
 * Two acts are two verbs of the same form, joined ('stabilises the femur and applies a force'), or
 * a hand that keeps still while another moves ('stabilises the femur while applying a force'). A
 * word that is also a thing ('tests', 'hold') counts as a verb where an object follows. Acts that
 * share an object both get it: 'grips and lifts the tibia' is 'grips the tibia', 'lifts the tibia'.
 */
export function actsIn(text: string): readonly string[] {
  const words = wordsOf(text);
  const form = formOf(words);
  if (form === undefined) return [text];
  const cuts: { end: number; start: number }[] = [];
  for (const [i, { word, start }] of words.entries()) {
    const joins = JOINED.test(word) || (word === 'while' && keepsStill(words));
    if (!joins) continue;
    let next = i + 1;
    while (JOINED.test(words[next]?.word ?? '')) next++;
    const verb = verbAt(words, next, word === 'while' ? 'ing' : form);
    const before = words[i - 1];
    if (verb === null || !before || (cuts.at(-1)?.start ?? -1) >= start) continue;
    if (form === 'past' && (word === ',' || !hasPassive(words.slice(0, i)))) continue;
    cuts.push({ end: before.end, start: words[next]?.start ?? start });
  }
  return cuts.length === 0 ? [text] : partedAt(text, cuts);
}

/** What the first act is said in: its verb's form; passive where a thing comes first. */
function formOf(words: readonly Word[]): VerbForm | undefined {
  const at = words.findIndex(({ word }) => !ADVERB.test(word) || verbIn(word, 'base'));
  const first = words[at]?.word ?? '';
  for (const form of ['third', 'ing', 'base'] as const) if (verbIn(first, form)) return form;
  const passive = words.some(({ word }, i) => i > at && verbIn(word, 'past'));
  return passive ? 'past' : undefined;
}

/** The place of the verb that a joined act begins with, past its adverbs; `null` where it is none. */
function verbAt(words: readonly Word[], from: number, form: VerbForm): number | null {
  let at = from;
  while (ADVERB.test(words[at]?.word ?? '') && !verbIn(words[at]?.word ?? '', form)) at++;
  if (form === 'past') return passiveAt(words, at);
  const verb = verbIn(words[at]?.word ?? '', form);
  if (!verb) return null;
  if (!verb.alsoThing || form === 'ing') return at;
  const next = words[at + 1]?.word ?? '';
  if (DETERMINER.test(next) || ADVERB.test(next)) return at;
  const object = next !== '' && !JOINED.test(next) && !PREPOSITION.test(next);
  return object && form === 'third' ? at : null;
}

/** 'Femur stabilised and force applied': a thing, then what was done to it. */
function passiveAt(words: readonly Word[], from: number): number | null {
  for (let at = from; at < Math.min(from + 5, words.length); at++) {
    if (JOINED.test(words[at]?.word ?? '')) return null;
    if (verbIn(words[at]?.word ?? '', 'past')) return from;
  }
  return null;
}

function hasPassive(words: readonly Word[]): boolean {
  return words.some(({ word }) => verbIn(word, 'past'));
}

function keepsStill(words: readonly Word[]): boolean {
  const first = words.find(({ word }) => !ADVERB.test(word))?.word ?? '';
  const verb = verbIn(first, 'third') ?? verbIn(first, 'base');
  return verb !== undefined && KEEPS_STILL.has(verb.lemma);
}

function partedAt(text: string, cuts: readonly { end: number; start: number }[]): string[] {
  const starts = [0, ...cuts.map(({ start }) => start)];
  const ends = [...cuts.map(({ end }) => end), text.length];
  const parts = starts.map((start, i) => text.slice(start, ends[i]).trim());
  const last = (parts.at(-1) ?? '').split(' ');
  const object = last.slice(last.findIndex((word) => !ADVERB.test(word)) + 1).join(' ');
  return parts.map((part, i) => {
    // A verb alone means what the last one means: 'grips and lifts the tibia'.
    const alone = i < parts.length - 1 && part.split(' ').every(isVerbOrAdverb);
    return capitalised(alone && object !== '' ? `${part} ${object}` : part);
  });
}

function isVerbOrAdverb(word: string): boolean {
  return (
    ADVERB.test(word.toLowerCase()) ||
    ['third', 'base', 'ing'].some((form) => verbIn(word, form as VerbForm))
  );
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function wordsOf(text: string): Word[] {
  return [...text.matchAll(/[\p{L}\p{N}°%'’-]+|[&+;,/]|\.(?=\s|$)/gu)].map((match) => ({
    word: match[0].toLowerCase(),
    start: match.index,
    end: match.index + match[0].length,
  }));
}

/** One act an item: where an examiner saw one of two done, neither grade is right. */
export function twoActs(item: DraftItem): Finding[] {
  const acts = actsIn(item.text);
  if (acts.length < 2) return [];
  return [
    {
      item: item.key,
      part: 'text',
      rule: 'two-acts',
      words: `Asks for ${acts.length === 2 ? 'two acts' : `${acts.length} acts`} in one item: ${acts.map((act) => `“${act}”`).join(', ')}.`,
      reason: 'Where only one of them is done, one examiner marks it done and the other not done.',
      mend: { do: 'split', item: item.key, into: acts },
    },
  ];
}
