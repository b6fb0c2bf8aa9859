<script setup lang="ts">
import { markable } from '@kritikos/core/checklists/markable';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useTrialChannel } from './trialChannel.ts';
import type { TrialMessage, TrialSheet } from './trialChannel.ts';
import type { WrittenDraft } from './useDraft.ts';

/** The marking sheet itself, as large as a tablet, with this draft on it. */
const props = defineProps<{ draft: string; title: string; own: WrittenDraft }>();
const SIZES = [
  { value: '1024x768', title: 'Tablet lying, 1024 × 768' },
  { value: '820x1180', title: 'Tablet upright, 820 × 1180' },
  { value: '1280x800', title: 'Laptop, 1280 × 800' },
];
const size = ref('1024x768');
const pixels = computed(() => {
  const [width = 1024, height = 768] = size.value.split('x').map(Number);
  return { width, height };
});
const frame = useTemplateRef<HTMLElement>('frame');
const { width } = useElementSize(frame);
const scale = computed(() => Math.min(1, (width.value || 1) / pixels.value.width));

const { post, data } = useTrialChannel(props.draft);
const sheet = computed((): Omit<TrialSheet, 'content'> & { content: ChecklistContent } => ({
  title: props.title,
  minutes: props.own.minutes.value ?? 8,
  content: markable(props.own.content.value),
}));
// The channel copies what it carries; what Vue watches cannot be copied.
const tell = () => post(JSON.parse(JSON.stringify({ sheet: sheet.value })) as TrialMessage);
watch(sheet, tell);
watch(data, (heard) => {
  if (heard && 'ask' in heard) tell();
});
</script>

<template>
  <div>
    <div class="head">
      <v-select v-model="size" :items="SIZES" label="As large as" max-width="280" />
      <p class="soft">
        The sheet as an examiner will have it. Tap it: nothing that is marked here is kept.
      </p>
    </div>
    <div ref="frame" class="frame" :style="{ height: `${pixels.height * scale}px` }">
      <iframe
        :src="`/drafts/${draft}/trial`"
        title="The marking sheet of this draft"
        :style="{
          width: `${pixels.width}px`,
          height: `${pixels.height}px`,
          transform: `scale(${scale})`,
        }"
      />
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-bottom: 10px;
}
.frame {
  overflow: hidden;
}
iframe {
  border: 1.5px solid var(--ink);
  border-radius: 3px;
  transform-origin: 0 0;
  background: var(--paper);
}
</style>
