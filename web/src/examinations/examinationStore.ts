import type { Examination } from '@kritikos/contracts/examinations';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { call } from '../http/api.ts';

/** The examination that the lead has open; every phase of the cycle reads it and refreshes it. */
export const useExamination = defineStore('examination', () => {
  const current = ref<Examination | null>(null);

  /** What was asked for last, or taken, counts; an answer to what was asked before it comes too late. */
  let newest = 0;

  async function open(id: string): Promise<void> {
    const own = ++newest;
    const read = await call('GET /examinations/:examination', { params: { examination: id } });
    if (own === newest) current.value = read;
  }

  function take(examination: Examination): void {
    newest++;
    current.value = examination;
  }

  return { current, open, take };
});
