<script setup lang="ts">
import type { Sheet, SheetState } from '@kritikos/contracts/marking';
import type { MarkValue } from '@kritikos/core/scoring/mark';
import { computed, nextTick, ref, toRef } from 'vue';
import { HOWS } from './how.ts';
import type { How } from './how.ts';
import { faultWords } from './faultWords.ts';
import { byPhase, inTwoColumns } from '@kritikos/core/marking/phases';
import SafetyStrip from './SafetyStrip.vue';
import SheetFoot from './SheetFoot.vue';
import SheetHead from './SheetHead.vue';
import SheetItem from './SheetItem.vue';
import SheetReview from './SheetReview.vue';
import SheetSide from './SheetSide.vue';
import WithheldNote from './WithheldNote.vue';
import { useCountdown } from './useCountdown.ts';
import { useSheetKeys } from './useSheetKeys.ts';
import type { Taps } from './useTaps.ts';

/** The marking sheet as it lies under the hand, whoever keeps what is tapped. */
const props = defineProps<{
  sheet: Sheet;
  state: SheetState;
  taps: Taps;
  waiting: number;
  keeping: boolean;
  stopped: '' | 'offline' | 'signed out' | 'busy';
  ofOthers: number;
  setAside: number;
}>();
const emit = defineEmits<{ submit: [] }>();
/** The taps are the same object as long as the sheet is open. */
const own = props.taps;
const { items, marks, unmarked } = own;
const state = toRef(() => props.state);
const minutes = computed(() => props.sheet.minutes);
const warning = computed(() => props.sheet.warningSeconds);
const countdown = useCountdown(state, minutes, warning);

const columns = computed(() => inTwoColumns(byPhase(items.value)));
const ordered = computed(() => columns.value.flat().flatMap((group) => group.items));
const place = (key: string) => ordered.value.findIndex((item) => item.key === key);
const current = ref(0);
const currentItem = computed(() => ordered.value[current.value]);
const reviewing = ref(false);
const locked = computed(() => props.state.submittedAt !== null);
/** The overall grade comes after the checklist, so that irritation does not leak into marks. */
const gradeOpen = computed(
  () => unmarked.value.length === 0 || reviewed.value || props.state.safety.length > 0,
);
const reviewed = ref(false);

function goTo(next: number) {
  current.value = Math.max(0, Math.min(ordered.value.length - 1, next));
}

function set(key: string, value: MarkValue) {
  own.startClockOnce();
  goTo(place(key));
  own.mark(key, { value });
}

function isHow(how: How): boolean {
  const mark = currentItem.value && marks.value.get(currentItem.value.key);
  if (!mark) return false;
  if (how === 'prompted') return mark.prompted;
  return mark.manner === how || mark.observation === how;
}

function qualify(how: How) {
  const item = currentItem.value;
  if (!item || locked.value) return;
  own.startClockOnce();
  const off = isHow(how);
  const mark = marks.value.get(item.key);
  if (how === 'prompted') {
    if (mark) own.mark(item.key, { prompted: !off });
  } else if (how === 'said-only' || how === 'mimed') {
    const performed = off ? 'done' : how;
    // Announced or pretended, the act itself is on the sheet; what it earns is the checklist's rule.
    const value = mark?.value ?? (item.kind === 'done' ? 1 : undefined);
    if (value !== undefined) own.mark(item.key, { manner: performed, value });
  } else if (off) own.clear(item.key);
  else own.mark(item.key, { observation: how, manner: 'done', prompted: false });
}

function rate(grade: number) {
  if (gradeOpen.value) own.rate(grade);
}

/** Of an item, what a rule or a fault makes of it. */
function ruled(key: string): string {
  const { content } = props.sheet.checklist;
  return [
    own.ruled.value.get(key),
    faultWords(content, key, props.state.faults, marks.value.get(key)),
  ]
    .filter(Boolean)
    .join(' · ');
}

function writeOfSafety() {
  reviewing.value = false;
  focusOn('.safety-strip textarea');
}

function review() {
  if (locked.value) return;
  reviewed.value = true;
  reviewing.value = true;
}

function submit() {
  reviewing.value = false;
  emit('submit');
}

function focusOn(selector: string) {
  void nextTick(() => document.querySelector<HTMLElement>(selector)?.focus());
}

useSheetKeys({
  items: () => ordered.value,
  current: () => current.value,
  goTo,
  set: (item, value) => set(item.key, value),
  markOf: (item) => marks.value.get(item.key),
  qualify,
  clear: () => currentItem.value && own.clear(currentItem.value.key),
  undo: own.undo,
  clock: own.toggleClock,
  safety: () => own.stopForSafety(),
  review,
  focusMeasure: (item) => focusOn(`[data-item="${item.key}"] input`),
  press: (item, button) =>
    document.querySelector<HTMLElement>(`[data-item="${item.key}"] ${button}`)?.click(),
  focus: (what) => {
    const target = {
      variant: '.variant select',
      comment: '#comment',
      fault: '.fault',
      grade: '.grade',
    };
    focusOn(target[what]);
  },
});
</script>

<template>
  <div class="sheet">
    <SheetHead
      :sheet="sheet"
      :variants="state.variants"
      :shown="countdown.shown.value"
      :remaining="countdown.remaining.value"
      :running="countdown.running.value"
      :ending="countdown.ending.value"
      :waiting="waiting"
      :keeping="keeping"
      :stopped="stopped"
      :of-others="ofOthers"
      :set-aside="setAside"
      :locked="locked"
      :safety-events="state.safety.length"
      @clock="own.toggleClock"
      @variant="own.setVariant"
      @safety="own.stopForSafety()"
    />
    <slot name="notices" :locked="locked" />
    <SafetyStrip
      v-for="event in state.safety"
      :key="event.id"
      :event="event"
      :locked="locked"
      @write="own.writeSafetyNote(event.id, $event)"
      @take-back="own.takeSafetyBack(event.id)"
    />
    <WithheldNote :content="sheet.checklist.content" />
    <div class="body">
      <div v-for="(column, side) in columns" :key="side" class="column">
        <template v-for="group in column" :key="group.title">
          <h2>{{ group.title }}</h2>
          <SheetItem
            v-for="item in group.items"
            :key="item.key"
            :item="item"
            :place="place(item.key) + 1"
            :mark="marks.get(item.key)"
            :ruled="ruled(item.key)"
            :current="currentItem?.key === item.key"
            :locked="locked"
            @choose="goTo(place(item.key))"
            @set="set(item.key, $event)"
          />
        </template>
      </div>
      <SheetSide
        :content="sheet.checklist.content"
        :items="items"
        :state="state"
        :attempt="own.attempt.value"
        :locked="locked"
        @again="own.beginAgain"
        @fault="own.toggleFault"
        @comment="own.comment"
      />
    </div>

    <SheetFoot
      :place="current + 1"
      :set="HOWS.filter(isHow)"
      :locked="locked"
      :undoes="own.undoes.value"
      :taken-back="own.takenBack.value"
      :rating="state.rating"
      :grade-open="gradeOpen"
      :unmarked="unmarked.length"
      @qualify="qualify"
      @undo="own.undo"
      @rate="rate"
      @review="review"
    />

    <SheetReview
      v-model="reviewing"
      :unmarked="unmarked"
      :rating="state.rating"
      :safety="state.safety"
      :candidate="sheet.candidateNumber"
      @not-observed="(key) => own.mark(key, { observation: 'not-observed' })"
      @go="(key) => ((reviewing = false), goTo(place(key)))"
      @rate="own.rate"
      @write-of-safety="writeOfSafety"
      @submit="submit"
    />
  </div>
</template>

<style scoped>
.sheet {
  height: 100dvh;
  display: flex;
  flex-direction: column;
  overflow: hidden;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 218px;
  overflow-y: auto;
}
.column {
  display: flex;
  flex-direction: column;
  min-height: min-content;
  padding: 0 8px;
  border-right: 1px solid var(--rule);
  background: var(--sheet);
}
.column h2 {
  font-size: 0.92rem;
  color: var(--petrol);
  padding: 4px 4px 0;
  border-bottom: 1.5px solid var(--ink);
}
@media (max-width: 1100px) {
  .body {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 184px;
  }
}
@media (max-width: 900px) and (orientation: portrait) {
  .body {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: 1fr auto;
  }
}
/* On a phone the sheet is one long page, its head in sight. */
@media (max-width: 600px) {
  .sheet {
    height: auto;
    min-height: 100dvh;
    overflow: visible;
  }
  .body {
    display: block;
    overflow: visible;
  }
  .column {
    border-right: 0;
  }
}
</style>
