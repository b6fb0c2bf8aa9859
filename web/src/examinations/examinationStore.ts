import type { Examination } from '@kritikos/contracts/examinations';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { call } from '../http/api.ts';

/** The examination that the lead has open; every phase of the cycle reads it and refreshes it. */
export const useExamination = defineStore('examination', () => {
  const current = ref<Examination | null>(null);

  async function open(id: string): Promise<void> {
    current.value = await call('GET /examinations/:examination', { params: { examination: id } });
  }

  function take(examination: Examination): void {
    current.value = examination;
  }

  return { current, open, take };
});
