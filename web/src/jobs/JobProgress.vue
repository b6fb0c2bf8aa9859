<script setup lang="ts">
import type { Job } from '@kritikos/contracts/jobs';
import { computed } from 'vue';

/** How far a job is, with a way to stop it; what went wrong, in words. */
const props = defineProps<{
  job: Job;
  what: string;
  /** What is true once it was stopped by hand. */
  stopped?: string;
}>();
defineEmits<{ cancel: [] }>();
const percent = computed(() => Math.round(100 * props.job.progress));
</script>

<template>
  <div v-if="job.state === 'waiting' || job.state === 'running'" class="progress" role="status">
    <span>{{ what }}{{ job.state === 'waiting' ? ', in a moment' : ` ${percent} %` }}</span>
    <v-progress-linear
      :model-value="percent"
      :indeterminate="job.state === 'waiting'"
      color="primary"
      height="8"
      :aria-label="what"
    />
    <v-btn size="small" @click="$emit('cancel')">Stop</v-btn>
  </div>
  <p v-else-if="job.state === 'cancelled'" role="status">
    {{ stopped ?? 'Stopped; nothing was changed.' }}
  </p>
  <v-alert v-else-if="job.state === 'failed'" type="error" role="alert">{{ job.problem }}</v-alert>
</template>

<style scoped>
.progress {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 12px;
  align-items: center;
}
@media (max-width: 600px) {
  .progress {
    grid-template-columns: 1fr auto;
  }
}
</style>
