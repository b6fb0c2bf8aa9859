<script setup lang="ts">
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { HOW } from './how.ts';
import type { How } from './how.ts';
import { ref, watch } from 'vue';

/** What is at hand at the foot of the sheet: how the current item was done, and the overall grade. */
const props = defineProps<{
  place: number;
  /** What holds of the current item. */
  set: readonly How[];
  locked: boolean;
  /** What Undo would take back; '' where there is nothing. */
  undoes: string;
  /** What it took back last, and the how-manieth that was. */
  takenBack: { readonly what: string; readonly time: number };
  rating: number | null;
  gradeOpen: boolean;
  unmarked: number;
}>();
const emit = defineEmits<{ qualify: [how: How]; undo: []; rate: [grade: number]; review: [] }>();

/** Said for a moment, over the sheet: nothing moves under the finger for it. */
const said = ref('');
let pause: ReturnType<typeof setTimeout> | undefined;
watch(
  () => props.takenBack,
  ({ what }) => {
    said.value = `Taken back: ${what}`;
    clearTimeout(pause);
    pause = setTimeout(() => (said.value = ''), 5_000);
  },
);
</script>

<template>
  <footer>
    <p class="said" :class="{ shown: said }" aria-live="polite">{{ said }}</p>
    <div class="strip" role="group" aria-label="How the current item was performed">
      <span class="which"
        ><b class="figures">{{ place }}</b> was</span
      >
      <button
        v-for="how in HOW"
        :key="how.key"
        type="button"
        class="how"
        :class="{ set: set.includes(how.key) }"
        :aria-pressed="set.includes(how.key)"
        :disabled="locked"
        @click="emit('qualify', how.key)"
      >
        {{ how.label }}<kbd>{{ how.letter }}</kbd>
      </button>
      <button
        type="button"
        class="how undo"
        :disabled="locked || !undoes"
        :title="undoes"
        :aria-label="undoes ? `Undo: ${undoes}` : 'Undo'"
        @click="emit('undo')"
      >
        Undo<small v-if="undoes">{{ undoes }}</small>
      </button>
    </div>
    <div class="strip" role="group" aria-label="Overall grade">
      <span class="which">{{ gradeOpen ? 'Overall' : `${unmarked} to mark` }}</span>
      <button
        v-for="g in FIVE_POINT_SCALE"
        :key="g.grade"
        type="button"
        class="how grade"
        :class="{ set: rating === g.grade }"
        :aria-pressed="rating === g.grade"
        :disabled="locked || !gradeOpen"
        @click="emit('rate', g.grade)"
      >
        {{ g.label }}
      </button>
      <button type="button" class="how submit" :disabled="locked" @click="emit('review')">
        {{ locked ? 'Submitted' : 'Review' }}<kbd v-if="!locked">R</kbd>
      </button>
    </div>
  </footer>
</template>

<style scoped>
footer {
  position: relative;
  border-top: 1.5px solid var(--ink);
  background: var(--paper);
  padding: 4px 10px;
  display: grid;
  gap: 4px;
}
.strip {
  display: flex;
  gap: 6px;
  align-items: center;
}
.which {
  width: 86px;
  flex: none;
  font-size: 0.92rem;
}
.how {
  flex: 1 1 0;
  min-width: 0;
  height: 48px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 0.95rem var(--sans);
  line-height: 1.1;
  cursor: pointer;
  touch-action: manipulation;
}
.how.set {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--paper);
  box-shadow: inset 0 -4px 0 rgba(0, 0, 0, 0.25);
}
.how:disabled {
  border-style: dashed;
  cursor: default;
}
.how:disabled:not(.set) {
  color: var(--soft);
}
.undo {
  flex-grow: 1.6;
  padding: 0 6px;
}
.undo small {
  display: block;
  font-size: 0.74rem;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* In the side column, over the sentence at its foot: no button is ever under it. */
.said {
  position: absolute;
  right: 6px;
  bottom: calc(100% + 4px);
  width: 206px;
  font-size: 0.9rem;
  line-height: 1.2;
  pointer-events: none;
}
.said.shown {
  padding: 8px 14px;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
}
.submit {
  border-color: var(--petrol);
  font-weight: 700;
}
kbd {
  margin-left: 6px;
  font: 500 0.72rem var(--sans);
  color: var(--soft);
  border: 1px solid var(--rule);
  border-radius: 2px;
  padding: 0 3px;
}
.set kbd {
  color: inherit;
}
@media (max-width: 1100px) {
  .said {
    width: 172px;
  }
  kbd {
    display: none;
  }
}
@media (max-width: 900px) and (orientation: portrait) {
  .said {
    width: auto;
    max-width: 80vw;
  }
}
@media (max-width: 600px) {
  .strip {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
  }
  .which {
    grid-column: 1 / -1;
    width: auto;
  }
}
</style>
