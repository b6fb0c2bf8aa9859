import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { useBroadcastChannel } from '@vueuse/core';

/** What a trial sheet shows: the draft as it stands on the page that it is written on. */
export interface TrialSheet {
  readonly title: string;
  readonly minutes: number;
  readonly content: ChecklistVersion['content'];
}
/** The trial sheet asks when it opens; the workshop tells at every change. */
export type TrialMessage = { readonly ask: true } | { readonly sheet: TrialSheet };

/** Joins the pages of one draft in one browser. */
export function useTrialChannel(draft: string) {
  return useBroadcastChannel<TrialMessage, TrialMessage>({ name: `kritikos-trial-${draft}` });
}
