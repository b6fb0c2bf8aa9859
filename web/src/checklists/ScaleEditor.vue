<script setup lang="ts">
import { SCALE_KINDS, blankScale } from '@kritikos/core/checklists/asKind';
import type { ScaleKind } from '@kritikos/core/checklists/asKind';
import type { DraftScale } from '@kritikos/core/checklists/draftChecklist';
import AnchorsEditor from './AnchorsEditor.vue';
import NumberField from './NumberField.vue';
import OptionsEditor from './OptionsEditor.vue';
import { KIND_WORDS } from './words.ts';

/** What one value is marked on: its anchors, its band, its options and key. */
const props = defineProps<{
  scale: DraftScale;
  /** Whether the kind is chosen here too, as for the halves of a pair. */
  choosesKind?: boolean;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [scale: DraftScale] }>();

const kinds = SCALE_KINDS.map((value) => ({ value, title: KIND_WORDS[value] }));
function set(part: object) {
  emit('change', { ...props.scale, ...part } as DraftScale);
}
</script>

<template>
  <div class="scale">
    <v-select
      v-if="choosesKind"
      :model-value="scale.kind"
      :items="kinds"
      label="Marked as"
      :disabled="disabled"
      @update:model-value="(kind: ScaleKind) => emit('change', blankScale(kind))"
    />
    <AnchorsEditor
      v-if="scale.kind === 'graded'"
      :anchors="scale.anchors"
      :disabled="disabled"
      @change="(anchors) => set({ anchors })"
    />
    <OptionsEditor
      v-else-if="scale.kind === 'choice'"
      :scale="scale"
      :disabled="disabled"
      @change="set"
    />
    <div v-else-if="scale.kind !== 'done'" class="numbers">
      <NumberField
        :model-value="scale.lower"
        label="From"
        :disabled="disabled"
        @update:model-value="(lower) => set({ lower })"
      />
      <NumberField
        :model-value="scale.upper"
        label="To"
        :disabled="disabled"
        @update:model-value="(upper) => set({ upper })"
      />
      <v-text-field
        v-if="scale.kind !== 'hold'"
        :model-value="scale.unit"
        label="Unit"
        :disabled="disabled"
        @update:model-value="(unit: string) => set({ unit })"
      />
      <NumberField
        v-if="scale.kind === 'measured'"
        :model-value="scale.fullTolerance"
        label="Full marks within ±"
        :disabled="disabled"
        @update:model-value="(fullTolerance) => set({ fullTolerance })"
      />
      <NumberField
        :model-value="scale.halfTolerance"
        label="Half marks within ±"
        :disabled="disabled"
        @update:model-value="(halfTolerance) => set({ halfTolerance })"
      />
      <template v-if="scale.kind === 'measured'">
        <NumberField
          :model-value="scale.step"
          label="Read to steps of"
          :disabled="disabled"
          @update:model-value="(step) => set({ step })"
        />
        <NumberField
          :model-value="scale.minimum"
          label="Least that can be"
          :disabled="disabled"
          @update:model-value="(minimum) => set({ minimum })"
        />
      </template>
      <NumberField
        :model-value="scale.maximum"
        label="Most that can be"
        :disabled="disabled"
        @update:model-value="(maximum) => set({ maximum })"
      />
    </div>
  </div>
</template>

<style scoped>
.scale {
  display: grid;
  gap: 10px;
}
.numbers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 10px;
}
</style>
