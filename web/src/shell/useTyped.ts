import { ref, watch } from 'vue';
import type { Ref } from 'vue';

export interface Typed {
  /** What stands in the field. */
  readonly typed: Ref<string>;
  /** For every key. */
  write(text: string): void;
  /** For when the field was left. */
  left(): void;
}

/**
 * The text of a field while somebody writes in it. What is known from elsewhere stands in it until the
 * first key and once the field was left; what is answered between is not put over what is being written.
 */
export function useTyped(known: () => string): Typed {
  const typed = ref(known());
  let writing = false;
  watch(known, (now) => {
    if (!writing) typed.value = now;
  });
  return {
    typed,
    write(text) {
      writing = true;
      typed.value = text;
    },
    left() {
      writing = false;
    },
  };
}
