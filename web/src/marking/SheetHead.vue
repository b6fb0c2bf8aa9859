<script setup lang="ts">
import type { Sheet } from '@kritikos/contracts/marking';
import type { SeenVariants } from '@kritikos/core/scoring/checklist';
import { waysToSee } from '@kritikos/core/marking/waysToSee';
import { computed } from 'vue';

const props = defineProps<{
  sheet: Sheet;
  variants: SeenVariants;
  shown: string;
  remaining: number;
  running: boolean;
  ending: boolean;
  waiting: number;
  /** A tap is not on the device’s disk yet. */
  keeping: boolean;
  stopped: '' | 'offline' | 'signed out' | 'busy';
  ofOthers: number;
  setAside: number;
  locked: boolean;
  safetyEvents: number;
}>();
defineEmits<{ clock: []; variant: [procedure: string, key: string]; safety: [] }>();

const procedures = computed(() => waysToSee(props.sheet.checklist.content));
const WHY = {
  '': '',
  offline: ', no network',
  'signed out': ', signed out',
  busy: ', server busy',
};
/** What stands under the clock; the end is announced in words, not only by the frame. */
const below = computed(() => {
  if (props.locked) return 'left';
  if (props.ending) return 'ends soon';
  if (props.running) return props.remaining < 0 ? 'over time' : 'running';
  return 'tap to start';
});
const saved = computed(() => {
  // What the server refused is not saved, whatever else is.
  if (props.setAside > 0) return { sign: '✕', words: `${props.setAside} set aside` };
  if (props.waiting === 0) return { sign: '✓', words: 'All saved' };
  return { sign: '…', words: `${props.waiting} waiting${WHY[props.stopped]}` };
});
</script>

<template>
  <header>
    <router-link to="/stations" class="back" aria-label="Back to my stations">‹</router-link>
    <div class="candidate">
      <span class="soft">Candidate</span>
      <b class="figures">{{ sheet.candidateNumber }}</b>
    </div>
    <div class="station">
      <h1>Station {{ sheet.position }} · {{ sheet.station }}: {{ sheet.checklist.title }}</h1>
      <div class="stop"><b>Stop rule.</b> {{ sheet.checklist.content.stopRule }}</div>
    </div>
    <label v-for="own in procedures" :key="own.procedure" class="variant">
      <span class="soft">{{ procedures.length > 1 ? own.title : 'Variant seen' }}</span>
      <select
        :id="`variant-${own.procedure}`"
        :value="variants[own.procedure]"
        :disabled="locked"
        @change="$emit('variant', own.procedure, ($event.target as HTMLSelectElement).value)"
      >
        <option v-for="v in own.variants" :key="v.key" :value="v.key">
          {{ v.label }}
        </option>
      </select>
    </label>
    <span
      class="saved figures"
      role="status"
      :aria-busy="keeping"
      :class="{ open: waiting > 0 || setAside > 0 }"
    >
      <b aria-hidden="true">{{ saved.sign }}</b> {{ saved.words }}
      <small v-if="ofOthers > 0">{{ ofOthers }} of another examiner</small>
    </span>
    <button
      type="button"
      class="clock figures"
      :class="{ running, ending, over: remaining < 0 }"
      :disabled="locked"
      :aria-label="`${shown} left. ${running ? 'Stop' : 'Start'} the clock`"
      @click="$emit('clock')"
    >
      {{ shown }}<small>{{ below }}</small>
    </button>
    <span class="d-sr-only" aria-live="assertive">{{ ending ? 'The station ends soon' : '' }}</span>
    <button type="button" class="safety" :disabled="locked" @click="$emit('safety')">
      Safety stop<small v-if="safetyEvents > 0">{{ safetyEvents }} recorded</small>
    </button>
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 4px 10px;
  border-bottom: 1.5px solid var(--ink);
  min-height: 58px;
}
.back {
  width: 36px;
  height: 48px;
  display: grid;
  place-items: center;
  font-size: 1.7rem;
  text-decoration: none;
}
.candidate {
  display: flex;
  flex-direction: column;
  line-height: 1;
  font-size: 0.78rem;
}
.candidate b {
  font: 600 1.7rem var(--serif);
  line-height: 1;
}
.station {
  flex: 1;
  min-width: 0;
}
h1 {
  font-size: 1.08rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
h1:hover {
  white-space: normal;
}
.stop {
  font-size: 0.82rem;
  line-height: 1.15;
  color: var(--madder);
}
.variant {
  display: flex;
  flex-direction: column;
  font-size: 0.78rem;
}
select {
  height: 36px;
  min-width: 118px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 0.95rem var(--sans);
  padding: 0 6px;
}
.saved {
  font-size: 0.85rem;
  width: 82px;
  line-height: 1.15;
}
.saved.open {
  color: var(--ochre);
  font-weight: 600;
}
.clock,
.safety {
  height: 50px;
  border-radius: 3px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  background: var(--sheet);
  color: var(--ink);
  font: 600 1.5rem var(--sans);
  line-height: 1;
  min-width: 92px;
  cursor: pointer;
  touch-action: manipulation;
}
.clock small,
.safety small {
  display: block;
  font: 500 0.72rem var(--sans);
  color: var(--soft);
}
.clock.ending {
  border: 3px solid var(--ochre);
  color: var(--ochre);
}
.clock.ending small {
  color: inherit;
  font-weight: 700;
}
.clock.over {
  border: 3px double var(--madder);
  color: var(--madder);
}
.safety {
  border: 2px solid var(--madder);
  color: var(--madder);
  font-size: 0.95rem;
}
@media (max-width: 1100px) {
  header {
    gap: 8px;
  }
  .clock,
  .safety {
    min-width: 82px;
  }
}
@media (max-width: 900px) {
  .back {
    display: none;
  }
  h1 {
    font-size: 0.98rem;
  }
  .stop {
    font-size: 0.76rem;
  }
}
/* On a phone: who and how long in the first line, what it is below. */
@media (max-width: 600px) {
  header {
    position: sticky;
    top: 0;
    z-index: 2;
    display: grid;
    grid-template-columns: auto 1fr auto auto;
    gap: 4px 8px;
    background: var(--paper);
  }
  .station {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  h1 {
    white-space: normal;
  }
  .variant {
    grid-column: 1 / -1;
    grid-row: 3;
    flex-direction: row;
    align-items: center;
    gap: 8px;
  }
  select {
    flex: 1;
    height: 48px;
  }
  .clock,
  .safety {
    min-width: 84px;
  }
}
</style>
