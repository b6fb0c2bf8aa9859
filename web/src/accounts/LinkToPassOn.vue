<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { nextTick, useTemplateRef, watch } from 'vue';

/** Links that are shown once, to whoever made them; later only a new one takes the place of each. */
const props = defineProps<{
  links: readonly { readonly name: string; readonly passOn: string }[];
}>();
const emit = defineEmits<{ done: [] }>();
const box = useTemplateRef('box');
// They were made further down, and are shown this once.
watch(
  () => props.links,
  async () => {
    await nextTick();
    box.value?.scrollIntoView({ block: 'nearest' });
  },
  { immediate: true },
);
const { copy, copied, text, isSupported } = useClipboard({ legacy: true });
</script>

<template>
  <section ref="box" class="panel" role="status" aria-label="Links to pass on">
    <p>
      No letters leave this installation, so pass
      {{ links.length === 1 ? 'this link' : 'these links' }} on yourself.
      {{ links.length === 1 ? 'It is' : 'They are' }} shown here once and
      {{ links.length === 1 ? 'holds' : 'hold' }} for one person each; a lost one is replaced by a
      new one.
    </p>
    <ul>
      <li v-for="{ name, passOn } in links" :key="passOn">
        <b>{{ name }}</b>
        <code>{{ passOn }}</code>
        <v-btn
          v-if="isSupported"
          size="small"
          :aria-label="`Copy the link for ${name}`"
          @click="copy(passOn)"
        >
          {{ copied && text === passOn ? 'Copied' : 'Copy' }}
        </v-btn>
      </li>
    </ul>
    <v-btn size="small" @click="emit('done')">Done, put them away</v-btn>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
code {
  flex: 1 1 260px;
  min-width: 0;
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
