import { nextTick, onMounted, useTemplateRef } from 'vue';

/**
 * The page begins in the field of this template reference: at once when it is there, and never once
 * somebody writes in another. (A field's own `autofocus` waits until it is seen to be visible, which
 * on a busy machine is late enough to take the second half of a password into the first field.)
 */
export function useBeginHere(name: string): void {
  const field = useTemplateRef<{ focus: () => void }>(name);
  onMounted(async () => {
    await nextTick();
    if (!document.activeElement?.matches('input, textarea, select')) field.value?.focus();
  });
}
