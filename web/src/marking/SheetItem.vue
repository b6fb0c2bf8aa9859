<script setup lang="ts">
import type { SheetMark } from '@kritikos/contracts/marking';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { computed } from 'vue';
import { choicesOf, describeMark } from './markChoices.ts';
import MeasuredEntry from './MeasuredEntry.vue';

const props = defineProps<{
  item: ChecklistItem;
  place: number;
  mark: SheetMark | undefined;
  current: boolean;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: number | string]; choose: [] }>();

const choices = computed(() => choicesOf(props.item));
const described = computed(() => describeMark(props.item, props.mark));
const isSet = (value: number | string) =>
  props.mark?.observation === 'observed' && props.mark.value === value;
</script>

<template>
  <div
    class="item"
    :class="{ current, marked: mark, wide: item.kind === 'choice' }"
    :data-item="item.key"
    @pointerdown="emit('choose')"
  >
    <div class="words">
      <span class="place figures" aria-hidden="true">{{ place }}</span>
      <div>
        <span :id="`item-${item.key}`" class="text">{{ item.text }}</span>
        <span v-if="item.criticality === 'fails-station'" class="critical">
          must not be missed</span
        >
        <div v-if="described" class="described">{{ described }}</div>
      </div>
    </div>
    <MeasuredEntry
      v-if="item.kind === 'measured'"
      :item="item"
      :value="mark?.observation === 'observed' ? Number(mark.value) : null"
      :locked="locked"
      @set="emit('set', $event)"
    />
    <div v-else class="choices" role="group" :aria-labelledby="`item-${item.key}`">
      <button
        v-for="choice in choices"
        :key="choice.value"
        type="button"
        class="mark"
        :class="{ set: isSet(choice.value), named: item.kind === 'choice' }"
        :aria-pressed="isSet(choice.value)"
        :title="choice.meaning"
        :aria-label="choice.meaning"
        :disabled="locked"
        @click="emit('set', choice.value)"
      >
        {{ choice.label }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.item {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  flex: 1 1 0;
  min-height: 52px;
  padding: 1px 6px 1px 4px;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid transparent;
}
.item.wide {
  flex: 1.55 1 0;
  min-height: 80px;
  flex-direction: column;
  align-items: stretch;
  justify-content: center;
  gap: 2px;
}
.item.current {
  border-left-color: var(--madder);
  background: rgba(var(--v-theme-primary), 0.06);
}
.words > div {
  min-width: 0;
}
.words {
  display: flex;
  gap: 6px;
  min-width: 0;
  line-height: 1.18;
  font-size: 1rem;
}
.place {
  flex: none;
  width: 1.3em;
  text-align: right;
  color: var(--soft);
  font-size: 0.82rem;
  padding-top: 1px;
}
.item.marked .text {
  color: var(--soft);
}
.critical {
  font-size: 0.76rem;
  font-weight: 650;
  color: var(--madder);
  white-space: nowrap;
}
/* One line, always: a longer anchor must not push the next item away from under the finger. */
.described {
  font-size: 0.8rem;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.choices {
  display: flex;
  flex: none;
  gap: 4px;
}
.wide .choices {
  padding-left: calc(1.3em + 6px);
}
.mark {
  min-width: 52px;
  height: 48px;
  padding: 0 8px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 600 1rem var(--sans);
  font-variant-numeric: tabular-nums;
  cursor: pointer;
  touch-action: manipulation;
}
.mark.named {
  flex: 1 1 0;
  min-width: 0;
  padding: 0 3px;
  font-size: 0.9rem;
  line-height: 1.05;
}
.mark.set {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--paper);
  box-shadow: inset 0 -4px 0 rgba(0, 0, 0, 0.25);
}
.mark:disabled {
  cursor: default;
}
@media (max-width: 600px) {
  .item,
  .item.wide {
    flex: none;
    flex-direction: column;
    align-items: stretch;
    gap: 4px;
    padding: 6px 4px;
  }
  .described {
    white-space: normal;
  }
  .choices,
  .wide .choices {
    flex-wrap: wrap;
    justify-content: flex-end;
    padding-left: 0;
  }
  .mark.named {
    flex: 1 1 40%;
  }
  .item :deep(.entry) {
    justify-content: flex-end;
  }
}
</style>
