import type { OpenCatalogue } from '@kritikos/contracts/openCatalogue';
import type { ShelfReport } from '@kritikos/contracts/shelf';
import jsonpointer from 'jsonpointer';
import { ref, shallowRef } from 'vue';
import type { FileProblem } from '../checklists/useChecklistFile.ts';
import { call, messageOf } from '../http/api.ts';

type Unsound = ShelfReport[number]['unsound'][number];

/**
 * A file of procedures that somebody chose: what cannot be read in it, or what bringing it in would
 * do. What is unsound can be put right here, in a copy; the file itself stays as it is.
 */
export function useProcedureFile() {
  const procedures = shallowRef<OpenCatalogue['procedures']>([]);
  const report = shallowRef<ShelfReport | null>(null);
  const problems = ref<readonly FileProblem[]>([]);
  const busy = ref(false);

  async function look(file: File | null): Promise<void> {
    forget();
    if (file) await read(await file.text());
  }

  async function read(text: string): Promise<void> {
    busy.value = true;
    // The format is only loaded when there is a file.
    const { readOpenCatalogue } = await import('@kritikos/contracts/openCatalogue');
    const { RefusedFile } = await import('@kritikos/contracts/openFile');
    try {
      const file = readOpenCatalogue(text);
      report.value = await call('POST /shelf/report', { body: file });
      procedures.value = file.procedures;
      problems.value = [];
    } catch (error) {
      problems.value =
        error instanceof RefusedFile ? error.problems : [{ path: '', reason: messageOf(error) }];
    } finally {
      busy.value = false;
    }
  }

  /** Writes what would do where it would stand, and looks again. */
  async function mend(place: number, { path, instead }: Unsound): Promise<void> {
    const { asOpenCatalogue } = await import('@kritikos/contracts/openCatalogue');
    const copy = structuredClone(procedures.value);
    jsonpointer.set(copy, `/${place}${path}`, instead);
    await read(JSON.stringify(asOpenCatalogue(copy)));
  }

  function forget(): void {
    procedures.value = [];
    report.value = null;
    problems.value = [];
  }
  return { procedures, report, problems, busy, look, mend, forget };
}
