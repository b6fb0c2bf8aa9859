import type { School } from './procedure.ts';

/** Schools that are the same at whichever procedure. */

/** For resisted tests that hurt: the other side would tell nothing that is not asked for. */
export const PAINFUL_SIDE_ONLY: School = {
  key: 'painful-side',
  label: 'Painful side only',
  description: 'The painful side alone; the other is asked about, not tested.',
  order: 'painful side only',
  oneSide: true,
  drawn: {},
};
