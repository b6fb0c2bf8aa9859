import { ref } from 'vue';
import type { Ref } from 'vue';
import { ApiProblem, messageOf } from './api.ts';

/**
 * Sends a form. What the server has against a field stands beside that field, by its name; what it
 * has against the whole stands in `problem`.
 */
export function useSubmit(send: () => Promise<unknown>): {
  fields: Ref<Record<string, string>>;
  problem: Ref<string>;
  submit: () => Promise<void>;
} {
  const fields = ref<Record<string, string>>({});
  const problem = ref('');
  async function submit(): Promise<void> {
    fields.value = {};
    problem.value = '';
    try {
      await send();
    } catch (thrown) {
      const errors = thrown instanceof ApiProblem ? (thrown.problem.errors ?? []) : [];
      for (const { pointer, detail } of errors) fields.value[pointer.slice(1)] = detail;
      if (errors.length === 0) problem.value = messageOf(thrown);
    }
  }
  return { fields, problem, submit };
}
