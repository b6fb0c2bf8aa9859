<script setup lang="ts">
import { mdiChevronDown, mdiChevronUp, mdiDotsHorizontal, mdiDragVertical } from '@mdi/js';
import type { DraftItem } from '@kritikos/core/checklists/draftChecklist';
import type { Domain, ProcedureVariants } from '@kritikos/core/scoring/checklist';
import { PHASES } from '@kritikos/core/marking/phases';
import ItemEditor from './ItemEditor.vue';
import { KIND_WORDS } from './words.ts';
import { vKept } from '../shell/kept.ts';

const props = defineProps<{
  item: DraftItem;
  place: number;
  procedures: readonly ProcedureVariants[];
  open: boolean;
  disabled: boolean;
}>();
const emit = defineEmits<{
  change: [item: DraftItem];
  step: [by: -1 | 1];
  phase: [domain: Domain];
  toggle: [];
  double: [];
  remove: [];
}>();

const set = (part: object) => emit('change', { ...props.item, ...part } as DraftItem);
function setWeight(typed: string) {
  const weight = Number(typed.replace(',', '.'));
  set({ weight: typed.trim() === '' || !Number.isFinite(weight) ? null : Math.abs(weight) });
}
</script>

<template>
  <div class="row">
    <button
      class="handle"
      type="button"
      :disabled="disabled"
      :aria-label="`Move item ${place}; arrow keys move it`"
      @keydown.up.prevent="emit('step', -1)"
      @keydown.down.prevent="emit('step', 1)"
    >
      <v-icon :icon="mdiDragVertical" size="20" />
    </button>
    <span class="place figures" aria-hidden="true">{{ place }}</span>
    <textarea
      :value="item.text"
      rows="1"
      maxlength="300"
      data-part="text"
      :title="item.text"
      :disabled="disabled"
      :aria-label="`Words of item ${place}`"
      placeholder="One act, in words that can be seen or heard"
      @input="set({ text: ($event.target as HTMLTextAreaElement).value.replace(/\s+/g, ' ') })"
      @keydown.enter.prevent
    />
    <input
      v-kept="item.weight"
      class="weight figures"
      inputmode="decimal"
      :disabled="disabled"
      :aria-label="`Weight of item ${place}`"
      @change="setWeight(($event.target as HTMLInputElement).value)"
    />
    <button class="kind linkish" type="button" :aria-expanded="open" @click="emit('toggle')">
      {{ KIND_WORDS[item.kind] }}
      <v-icon :icon="open ? mdiChevronUp : mdiChevronDown" size="18" />
    </button>
    <v-menu>
      <template #activator="{ props: menu }">
        <button v-bind="menu" class="more" type="button" :aria-label="`More for item ${place}`">
          <v-icon :icon="mdiDotsHorizontal" size="20" />
        </button>
      </template>
      <v-list density="compact">
        <v-list-item title="Move up" :disabled="disabled" @click="emit('step', -1)" />
        <v-list-item title="Move down" :disabled="disabled" @click="emit('step', 1)" />
        <v-list-item
          v-for="phase in PHASES.filter(({ domain }) => domain !== item.domain)"
          :key="phase.domain"
          :title="`To ${phase.title}`"
          :disabled="disabled"
          @click="emit('phase', phase.domain)"
        />
        <v-list-item title="Double it" :disabled="disabled" @click="emit('double')" />
        <v-list-item title="Take it out" :disabled="disabled" @click="emit('remove')" />
      </v-list>
    </v-menu>
    <div class="signs">
      <span v-if="item.criticality === 'fails-station'" class="critical">must not be missed</span>
      <span v-else-if="item.criticality === 'flag'" class="critical">noted when missed</span>
      <span v-if="item.observability !== 'seen'">{{
        item.observability === 'spoken' ? 'heard' : 'felt'
      }}</span>
      <span v-if="item.variants">only one way of doing it</span>
      <span v-if="item.saidEarns && item.observability !== 'spoken'">saying it earns</span>
    </div>
  </div>
  <ItemEditor
    v-if="open"
    :item="item"
    :procedures="procedures"
    :disabled="disabled"
    class="detail"
    @change="(changed) => emit('change', changed)"
  />
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 28px 24px minmax(0, 1fr) 46px 148px 32px;
  gap: 0 6px;
  align-items: start;
}
.handle,
.more {
  width: 28px;
  height: 34px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: grab;
  touch-action: none;
}
.more {
  cursor: pointer;
  width: 32px;
}
.place {
  padding-top: 7px;
  text-align: right;
  font-size: 0.85rem;
  color: var(--soft);
}
textarea,
.weight {
  min-height: 34px;
  padding: 5px 6px;
  border: 1px solid transparent;
  border-bottom-color: var(--rule);
  border-radius: 2px;
  background: transparent;
  color: var(--ink);
  font: 400 1rem/1.35 var(--sans);
}
textarea {
  width: 100%;
  resize: none;
  field-sizing: content;
  overflow: hidden;
}
textarea:hover,
.weight:hover {
  border-color: var(--rule);
}
textarea:focus,
.weight:focus {
  border-color: var(--petrol);
  background: var(--sheet);
}
.weight {
  text-align: right;
}
.kind {
  min-height: 34px;
  text-decoration: none;
}
.signs {
  grid-column: 3 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  padding-left: 7px;
  font-size: 0.8rem;
  color: var(--soft);
}
.critical {
  color: var(--madder);
  font-weight: 650;
}
.detail {
  margin-left: 58px;
}
@media (max-width: 900px) {
  .row {
    grid-template-columns: 28px 24px minmax(0, 1fr) 46px 32px;
  }
  .kind {
    grid-column: 3;
    grid-row: 2;
    justify-self: start;
  }
  .more {
    grid-column: 5;
    grid-row: 1;
  }
  .detail {
    margin-left: 0;
  }
}
</style>
