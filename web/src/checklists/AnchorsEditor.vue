<script setup lang="ts">
/** What each grade looks like, from 0 up. */
const props = defineProps<{ anchors: readonly string[]; disabled: boolean }>();
const emit = defineEmits<{ change: [anchors: string[]] }>();
const MOST = 6;

const set = (grade: number, text: string) =>
  emit(
    'change',
    props.anchors.map((anchor, i) => (i === grade ? text : anchor)),
  );
const without = (grade: number) =>
  emit(
    'change',
    props.anchors.filter((_, i) => i !== grade),
  );
</script>

<template>
  <div class="anchors">
    <div v-for="(anchor, grade) in anchors" :key="grade" class="anchor">
      <v-text-field
        :model-value="anchor"
        :label="`Grade ${grade}: what is seen`"
        :disabled="disabled"
        counter="120"
        @update:model-value="(text: string) => set(grade, text)"
      />
      <button
        class="linkish"
        type="button"
        :disabled="disabled"
        :aria-label="`Take grade ${grade} out`"
        @click="without(grade)"
      >
        take out
      </button>
    </div>
    <div>
      <v-btn
        size="small"
        :disabled="disabled || anchors.length >= MOST"
        @click="emit('change', [...anchors, ''])"
      >
        One grade more
      </v-btn>
    </div>
  </div>
</template>

<style scoped>
.anchors {
  display: grid;
  gap: 8px;
}
.anchor {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: start;
}
</style>
