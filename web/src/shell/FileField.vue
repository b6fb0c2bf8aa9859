<script setup lang="ts">
import { useTemplateRef } from 'vue';

/**
 * A field that takes one file. A browser says nothing when a file of the same name is chosen again;
 * a list is mended and brought again under its name, so what was chosen is forgotten by the browser
 * at once, while the field goes on showing it.
 */
const chosen = defineModel<File | null>({ default: null });
defineProps<{ label: string; accept: string; disabled?: boolean }>();
const emit = defineEmits<{ file: [file: File | null] }>();
const field = useTemplateRef<HTMLElement>('field');

function take(files: File | File[] | null) {
  const file = Array.isArray(files) ? (files[0] ?? null) : files;
  chosen.value = file;
  const input = field.value?.querySelector('input');
  if (input) input.value = '';
  emit('file', file);
}
</script>

<template>
  <div ref="field">
    <v-file-input
      :model-value="chosen"
      :label="label"
      :aria-label="label"
      :accept="accept"
      :disabled="disabled"
      variant="outlined"
      density="compact"
      prepend-icon=""
      prepend-inner-icon="$file"
      hide-details
      @update:model-value="take"
    />
  </div>
</template>
