<script setup lang="ts">
import type { SheetMark } from '@kritikos/contracts/marking';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { MarkValue, Value } from '@kritikos/core/scoring/mark';
import { computed } from 'vue';
import ClusterEntry from './ClusterEntry.vue';
import { describeMark } from './markChoices.ts';
import PairEntry from './PairEntry.vue';
import ScaleEntry from './ScaleEntry.vue';

const props = defineProps<{
  item: ChecklistItem;
  place: number;
  mark: SheetMark | undefined;
  current: boolean;
  locked: boolean;
  /** What a rule of the checklist makes of it: it does not apply, it came too late. */
  ruled?: string;
}>();
const emit = defineEmits<{ set: [value: MarkValue]; choose: [] }>();

const described = computed(() =>
  [props.ruled, describeMark(props.item, props.mark)].filter(Boolean).join(' · '),
);
const value = computed(() =>
  props.mark?.observation === 'observed' ? (props.mark.value as Value) : null,
);
const WIDE = ['choice', 'sides', 'retest', 'cluster'];
/** As high as what they hold: pairs and combinations wrap. */
const TALL = ['sides', 'retest', 'cluster'];
</script>

<template>
  <div
    class="item"
    :class="{
      current,
      marked: mark || ruled,
      wide: WIDE.includes(item.kind),
      tall: TALL.includes(item.kind),
    }"
    :data-item="item.key"
    @pointerdown="emit('choose')"
  >
    <div class="words">
      <span class="place figures" aria-hidden="true">{{ place }}</span>
      <div>
        <span class="text">{{ item.text }}</span>
        <span v-if="item.criticality === 'fails-station'" class="critical">
          must not be missed</span
        >
        <div v-if="described" class="described">{{ described }}</div>
      </div>
    </div>
    <PairEntry
      v-if="item.kind === 'sides' || item.kind === 'retest'"
      :item="item"
      :mark="mark"
      :locked="locked"
      @set="emit('set', $event)"
    />
    <ClusterEntry
      v-else-if="item.kind === 'cluster'"
      :item="item"
      :mark="mark"
      :locked="locked"
      @set="emit('set', $event)"
    />
    <ScaleEntry
      v-else
      :scale="item"
      :name="item.text"
      :value="value"
      :locked="locked"
      @set="emit('set', $event)"
    />
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
.item.tall {
  flex: 1.55 0 auto;
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
.item :deep(.choices) {
  display: flex;
  flex: none;
  gap: 4px;
}
.wide :deep(.choices) {
  padding-left: calc(1.3em + 6px);
}
.item :deep(.mark) {
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
.item :deep(.mark.named) {
  flex: 1 1 0;
  min-width: 0;
  padding: 0 3px;
  font-size: 0.9rem;
  line-height: 1.05;
}
.item :deep(.mark.set) {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--paper);
  box-shadow: inset 0 -4px 0 rgba(0, 0, 0, 0.25);
}
.item :deep(.mark:disabled) {
  cursor: default;
}
.item :deep(.entry) {
  display: flex;
  flex: none;
  gap: 4px;
  align-items: center;
}
.item :deep(.entry button) {
  min-width: 48px;
  height: 48px;
  padding: 0 6px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 600 1.2rem var(--sans);
  cursor: pointer;
  touch-action: manipulation;
}
.item :deep(.entry button.once),
.item :deep(.entry button.hold) {
  min-width: 64px;
}
.item :deep(.entry button.running) {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--paper);
}
.item :deep(.entry output) {
  min-width: 56px;
  text-align: center;
  font-variant-numeric: tabular-nums;
}
.item :deep(.entry .unit) {
  color: var(--soft);
  padding-left: 3px;
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
  .item :deep(.choices),
  .wide :deep(.choices) {
    flex-wrap: wrap;
    justify-content: flex-end;
    padding-left: 0;
  }
  .item :deep(.mark.named) {
    flex: 1 1 40%;
  }
  .item :deep(.entry) {
    justify-content: flex-end;
  }
}
</style>
