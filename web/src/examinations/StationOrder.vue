<script setup lang="ts">
import { mdiDragVertical } from '@mdi/js';
import type { BlueprintStationRead } from '@kritikos/contracts/blueprint';
import { computed, useTemplateRef, watch } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { useDragging } from '../checklists/useDragging.ts';
import RowMenu from '../shell/RowMenu.vue';
import type { Dropped } from '../checklists/useDragging.ts';

/** The stations in their order, and those of the bank that can join them. */
const props = defineProps<{
  stations: readonly BlueprintStationRead[];
  bank: readonly { versionId: string; title: string; region: string; minutes: number }[];
  disabled: boolean;
}>();
const emit = defineEmits<{
  order: [stations: string[]];
  add: [bankVersionId: string, position: number];
  remove: [BlueprintStationRead];
  renew: [BlueprintStationRead];
}>();

const { nameOf } = useKnownProcedures();
const ids = computed(() => props.stations.map(({ id }) => id));
function orderWith(id: string, before: string | null): string[] {
  const others = ids.value.filter((one) => one !== id);
  const at = before === null ? others.length : others.indexOf(before);
  others.splice(at < 0 ? others.length : at, 0, id);
  return others;
}
/** The station that the keys move: wherever it comes to stand, its handle keeps the focus. */
let moving: string | null = null;
function step(id: string, by: -1 | 1) {
  const at = ids.value.indexOf(id) + by;
  if (at < 0 || at >= ids.value.length) return;
  const others = ids.value.filter((one) => one !== id);
  others.splice(at, 0, id);
  moving = id;
  emit('order', others);
}
watch(
  ids,
  () => {
    if (moving === null) return;
    document.querySelector<HTMLElement>(`li[data-key="${moving}"] .handle`)?.focus();
  },
  { flush: 'post' },
);
/** Whoever goes elsewhere by themselves is left there. */
function left(event: FocusEvent) {
  if (event.relatedTarget !== null) moving = null;
}
const here = useTemplateRef<HTMLElement>('here');
const there = useTemplateRef<HTMLElement>('there');
useDragging(
  computed(() => (props.disabled ? [] : [here.value, there.value].filter((one) => one !== null))),
  'stations',
  ({ key, list, before }: Dropped) => {
    if (list !== 'examination') return;
    if (ids.value.includes(key)) emit('order', orderWith(key, before));
    else emit('add', key, before === null ? ids.value.length + 1 : ids.value.indexOf(before) + 1);
  },
);
const minutes = computed(() => props.stations.reduce((sum, station) => sum + station.minutes, 0));
</script>

<template>
  <div class="lists">
    <section class="panel">
      <h2>Stations</h2>
      <p class="soft">
        {{ stations.length }} of {{ minutes }} minutes together. Drag them by their handle, or use
        the arrow keys on it.
      </p>
      <ol ref="here" data-list="examination">
        <li v-for="(station, i) in stations" :key="station.id" :data-key="station.id">
          <button
            class="handle"
            type="button"
            :disabled="disabled"
            :aria-label="`Move ${station.title}; arrow keys move it`"
            @blur="left"
            @keydown.up.prevent="step(station.id, -1)"
            @keydown.down.prevent="step(station.id, 1)"
          >
            <v-icon :icon="mdiDragVertical" size="20" />
          </button>
          <span class="figures soft">{{ i + 1 }}</span>
          <div class="what">
            <b>{{ station.title }}</b>&nbsp;
            <span class="soft">{{ station.minutes }} min.</span>
            <div class="soft">{{ station.procedures.map(nameOf).join(' · ') }}</div>
            <div v-if="station.newest" class="since">
              The bank has version {{ station.newest.version }} by now; this is version
              {{ station.bankVersion }}.
              <button
                class="linkish"
                type="button"
                :disabled="disabled"
                :aria-label="`Take version ${station.newest.version} of ${station.title}`"
                @click="emit('renew', station)"
              >
                Take it
              </button>
              <span class="soft">It is no anchor then.</span>
            </div>
            <div v-if="station.retired" class="since">The bank has retired it.</div>
          </div>
          <RowMenu :label="`What can be done with ${station.title}`" :disabled="disabled">
            <v-list-item title="Move up" :disabled="i === 0" @click="step(station.id, -1)" />
            <v-list-item
              title="Move down"
              :disabled="i === stations.length - 1"
              @click="step(station.id, 1)"
            />
            <v-list-item title="Take out" @click="emit('remove', station)" />
          </RowMenu>
        </li>
        <li v-if="stations.length === 0" class="empty soft">
          No station yet. Drag one here from the bank, or press “add” beside it.
        </li>
      </ol>
    </section>
    <section class="panel">
      <h2>From the bank</h2>
      <slot name="search" />
      <ol ref="there" data-list="bank" class="bank">
        <li v-for="one in bank" :key="one.versionId" :data-key="one.versionId">
          <span class="handle" aria-hidden="true">
            <v-icon :icon="mdiDragVertical" size="20" />
          </span>
          <div class="what">
            {{ one.title }} <span class="soft">{{ one.region }}, {{ one.minutes }} min.</span>
          </div>
          <button
            class="linkish"
            type="button"
            :disabled="disabled"
            :aria-label="`Add ${one.title}`"
            @click="emit('add', one.versionId, stations.length + 1)"
          >
            add
          </button>
        </li>
        <li v-if="bank.length === 0" class="empty soft">Nothing like that in the bank.</li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.lists {
  display: grid;
  gap: 14px;
}
ol {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  min-height: 40px;
}
li {
  display: grid;
  grid-template-columns: 28px 20px minmax(0, 1fr) auto;
  gap: 0 6px;
  align-items: start;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
.bank {
  max-height: 320px;
  overflow-y: auto;
}
.bank li {
  grid-template-columns: 28px minmax(0, 1fr) auto;
  align-items: center;
}
li.empty {
  display: block;
  padding: 8px 4px;
}
.handle {
  width: 28px;
  height: 34px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: grab;
  touch-action: none;
  display: grid;
  place-items: center;
}
li > .figures {
  padding-top: 6px;
  text-align: right;
}
.what {
  padding: 5px 4px;
}
.since {
  color: var(--petrol);
  font-size: 0.88rem;
}
.dragged {
  opacity: 0.4;
}
</style>
