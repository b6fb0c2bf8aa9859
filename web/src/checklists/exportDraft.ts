import { FORMAT, FORMAT_VERSION } from '@kritikos/contracts/openChecklist';
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { freeKey } from './freeKey.ts';

/** Saves a draft as a file in the open format; what is missing from it is missing there too. */
export function exportDraft(title: string, checklist: DraftContent): void {
  const file = { format: FORMAT, version: FORMAT_VERSION, checklist };
  const url = URL.createObjectURL(
    new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }),
  );
  const link = document.createElement('a');
  link.href = url;
  link.download = `${freeKey(title, [])}.json`;
  link.click();
  URL.revokeObjectURL(url);
}
