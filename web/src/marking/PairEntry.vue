<script setup lang="ts">
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import type { MarkValue, Value } from '@kritikos/core/scoring/mark';
import type { SheetMark } from '@kritikos/contracts/marking';
import { computed } from 'vue';
import { retestOn, sidesOn, toggled } from './markChoices.ts';
import ScaleEntry from './ScaleEntry.vue';

/** Left and right, or before and after: two values that belong together. */
const props = defineProps<{
  item: Extract<ChecklistItem, { kind: 'sides' | 'retest' }>;
  mark: SheetMark | undefined;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: MarkValue] }>();

interface Half {
  readonly label: string;
  readonly scale: Scale;
  readonly value: Value;
  readonly set: (value: Value) => void;
}
const sides = computed(() => sidesOn(props.mark));
const retest = computed(() => retestOn(props.mark));
const halves = computed((): Half[] => {
  const { item } = props;
  return item.kind === 'sides'
    ? (['left', 'right'] as const).map((side) => ({
        label: side === 'left' ? 'Left' : 'Right',
        scale: item[side],
        value: sides.value[side],
        set: (value) => emit('set', { ...sides.value, [side]: value }),
      }))
    : (['before', 'after'] as const).map((time) => ({
        label: time === 'before' ? 'Before' : 'After',
        scale: item[time],
        value: retest.value[time],
        set: (value) => emit('set', { ...retest.value, [time]: value }),
      }));
});
/** The settings are taken over and locked; one that was changed is said, and the pair is none. */
const begun = computed(() => retest.value.before !== null || retest.value.after !== null);
const change = (setting: string) =>
  emit('set', { ...retest.value, changed: toggled(retest.value.changed, setting) });
</script>

<template>
  <div class="pair">
    <div v-for="half in halves" :key="half.label" class="half">
      <span>{{ half.label }}</span>
      <ScaleEntry
        :scale="half.scale"
        :name="`${item.text}, ${half.label.toLowerCase()}`"
        :value="half.value"
        :locked="locked"
        @set="half.set"
      />
    </div>
    <div v-if="item.kind === 'retest' && item.settings.length > 0" class="settings">
      <button
        v-for="setting in item.settings"
        :key="setting"
        type="button"
        class="setting"
        :class="{ changed: retest.changed.includes(setting) }"
        :aria-pressed="retest.changed.includes(setting)"
        :disabled="locked || !begun"
        @click="change(setting)"
      >
        {{ setting }} {{ retest.changed.includes(setting) ? 'changed' : 'as before' }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding-left: calc(1.3em + 6px);
}
.half {
  display: flex;
  flex: 1 1 auto;
  gap: 8px;
  align-items: center;
}
.half > span {
  color: var(--soft);
  font-size: 0.85rem;
}
.settings {
  display: flex;
  flex: 1 1 100%;
  flex-wrap: wrap;
  gap: 4px;
}
.setting {
  min-height: 48px;
  padding: 0 10px;
  border: 1.5px dashed rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--soft);
  font: 500 0.85rem var(--sans);
  cursor: pointer;
  touch-action: manipulation;
}
.setting.changed {
  border: 2px solid var(--madder);
  color: var(--madder);
  font-weight: 650;
}
</style>
