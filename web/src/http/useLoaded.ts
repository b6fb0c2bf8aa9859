import { onMounted, ref } from 'vue';
import type { Ref } from 'vue';
import { messageOf } from './api.ts';

/** Loads something when the page opens; `reload` fetches it again, `error` says what went wrong. */
export function useLoaded<T>(load: () => Promise<T>): {
  data: Ref<T | null>;
  error: Ref<string>;
  reload: () => Promise<void>;
} {
  const data = ref<T | null>(null) as Ref<T | null>;
  const error = ref('');
  async function reload(): Promise<void> {
    try {
      data.value = await load();
      error.value = '';
    } catch (thrown) {
      error.value = messageOf(thrown);
    }
  }
  onMounted(reload);
  return { data, error, reload };
}
