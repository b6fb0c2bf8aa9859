import type { Kind, Region } from '@kritikos/catalogue/procedure';

/** What a kind of procedure is called on screen. */
export const KIND_WORDS: Readonly<Record<Kind, string>> = {
  provocation: 'provocation',
  laxity: 'laxity',
  length: 'muscle length',
  strength: 'strength',
  nerve: 'nerve',
  effusion: 'effusion',
  rom: 'range of motion',
  function: 'function',
  palpation: 'look and feel',
  preparation: 'preparation',
};

export function regionWords(region: Region): string {
  return region === 'any' ? 'any region' : region;
}
