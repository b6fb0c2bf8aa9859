/** How an item was performed, or that it was not seen at all; the letters are the sheet's keys. */
export const HOW = [
  { key: 'said-only', label: 'Said only', letter: 'S' },
  { key: 'mimed', label: 'Mimed', letter: 'M' },
  { key: 'prompted', label: 'Prompted', letter: 'P' },
  { key: 'not-observed', label: 'Not observed', letter: 'O' },
  { key: 'not-applicable', label: 'Does not apply', letter: 'N' },
] as const;
export type How = (typeof HOW)[number]['key'];
export const HOWS: readonly How[] = HOW.map(({ key }) => key);
