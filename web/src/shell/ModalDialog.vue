<script setup lang="ts">
import { nextTick, onBeforeUnmount, useTemplateRef, watch } from 'vue';

/** A dialog that begins on its first field and gives the focus back to what opened it. */
defineOptions({ inheritAttrs: false });
const open = defineModel<boolean>({ required: true });
const dialog = useTemplateRef<{ contentEl?: HTMLElement }>('dialog');
let opener: HTMLElement | null = null;

/** What opened it, as it can be come back to: a menu is gone by then, and its button is there. */
function openerNow(): HTMLElement | null {
  const active = document.activeElement;
  const menu = active?.closest('.v-menu');
  const button = menu && document.querySelector(`[aria-controls="${menu.id}"]`);
  const found = button ?? active;
  return found instanceof HTMLElement && found !== document.body ? found : null;
}

const FIELDS = 'input:not(:disabled), textarea:not(:disabled)';

/** Whoever is in a field already stays there. */
function beginOnFirstField(): void {
  const content = dialog.value?.contentEl;
  const active = document.activeElement;
  if (content?.contains(active) && active !== content) return;
  content?.querySelector<HTMLElement>(FIELDS)?.focus({ preventScroll: true });
}

function giveBack(): void {
  if (opener?.isConnected) opener.focus({ preventScroll: true });
  opener = null;
}

watch(
  open,
  async (now) => {
    if (now) opener = openerNow();
    // An overlay makes its content a tick after it was asked to.
    await nextTick();
    await nextTick();
    if (now) beginOnFirstField();
    else giveBack();
  },
  { immediate: true },
);
onBeforeUnmount(giveBack);
</script>

<template>
  <v-dialog v-bind="$attrs" ref="dialog" v-model="open" @after-enter="beginOnFirstField">
    <slot />
  </v-dialog>
</template>
