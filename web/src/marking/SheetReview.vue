<script setup lang="ts">
import type { SafetyEvent } from '@kritikos/contracts/marking';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { computed } from 'vue';
import ModalDialog from '../shell/ModalDialog.vue';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  unmarked: readonly ChecklistItem[];
  rating: number | null;
  safety: readonly SafetyEvent[];
  candidate: number;
}>();
defineEmits<{
  notObserved: [key: string];
  go: [key: string];
  rate: [grade: number];
  writeOfSafety: [];
  submit: [];
}>();

const canSubmit = computed(() => props.rating !== null || props.safety.length > 0);
const unwritten = computed(() => props.safety.some(({ note }) => note === ''));
</script>

<template>
  <ModalDialog v-model="open" max-width="620">
    <v-card class="review">
      <h1>Candidate {{ candidate }}: before you submit</h1>
      <template v-if="unmarked.length > 0">
        <p>
          {{ unmarked.length === 1 ? 'One item has' : `${unmarked.length} items have` }} no mark.
          Mark it now, or say that it was not observed; both keep the score honest.
        </p>
        <ul>
          <li v-for="item in unmarked" :key="item.key">
            <span>{{ item.text }}</span>
            <v-btn size="large" @click="$emit('go', item.key)">Mark</v-btn>
            <v-btn size="large" @click="$emit('notObserved', item.key)">Not observed</v-btn>
          </li>
        </ul>
      </template>
      <p v-else>Every item is marked.</p>
      <div v-if="safety.length > 0" class="caution">
        <p>A safety event is recorded. The lead sees it at once and follows it up.</p>
        <p v-if="unwritten">
          Nothing is written yet of what happened.
          <v-btn size="large" @click="$emit('writeOfSafety')">Write it</v-btn>
        </p>
      </div>
      <div class="grades" role="group" aria-label="Overall grade">
        <v-btn
          v-for="g in FIVE_POINT_SCALE"
          :key="g.grade"
          size="large"
          :variant="rating === g.grade ? 'flat' : 'outlined'"
          :color="rating === g.grade ? 'primary' : undefined"
          :aria-pressed="rating === g.grade"
          @click="$emit('rate', g.grade)"
        >
          {{ g.label }}
        </v-btn>
      </div>
      <p v-if="!canSubmit" class="soft">
        The overall grade is still missing; the pass mark cannot be set without it.
      </p>
      <div class="end">
        <v-btn size="x-large" @click="open = false">Back to the sheet</v-btn>
        <v-btn
          size="x-large"
          variant="flat"
          color="primary"
          :disabled="!canSubmit"
          @click="$emit('submit')"
        >
          Submit{{ unmarked.length > 0 ? ` with ${unmarked.length} missing` : '' }}
        </v-btn>
      </div>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.review {
  padding: 18px 20px;
  display: grid;
  gap: 12px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 40vh;
  overflow-y: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--rule);
  padding: 4px 0;
}
li span {
  flex: 1;
}
.grades {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.end {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 10px;
}
@media (max-width: 600px) {
  .review {
    padding: 14px;
    overflow-y: auto;
  }
  .review > * {
    min-width: 0;
  }
  li {
    flex-wrap: wrap;
  }
  li span {
    flex-basis: 100%;
  }
  ul {
    max-height: none;
  }
}
</style>
