import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { ref, shallowRef } from 'vue';
import { messageOf } from '../http/api.ts';

export interface FileProblem {
  readonly path: string;
  readonly reason: string;
}

/**
 * Reads a checklist file that somebody chose, finished or not. `fits` says what else is wrong with
 * it where it is to be brought in, or nothing.
 */
export function useChecklistFile(fits: (content: DraftContent) => FileProblem | null = () => null) {
  const read = shallowRef<DraftContent | null>(null);
  const problems = ref<readonly FileProblem[]>([]);

  async function look(file: File | null): Promise<void> {
    forget();
    if (!file) return;
    // The formats and the catalogue that they speak of are only loaded when there is a file.
    const { readDraftChecklist } = await import('@kritikos/contracts/openChecklist');
    const { RefusedFile } = await import('@kritikos/contracts/openFile');
    try {
      const content = readDraftChecklist(await file.text());
      const problem = fits(content);
      if (problem) throw new RefusedFile([problem]);
      read.value = content;
    } catch (error) {
      problems.value =
        error instanceof RefusedFile ? error.problems : [{ path: '', reason: messageOf(error) }];
    }
  }

  function forget(): void {
    read.value = null;
    problems.value = [];
  }
  return { read, problems, look, forget };
}
