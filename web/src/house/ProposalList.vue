<script setup lang="ts">
import type { HouseProposal } from '@kritikos/contracts/house';

/** What was proposed of the house’s, in sentences; whoever decides has the two buttons. */
defineProps<{ proposals: readonly HouseProposal[]; decides: boolean; busy: boolean }>();
const emit = defineEmits<{ decide: [proposal: HouseProposal, take: boolean] }>();
const when = (at: string) => new Date(at).toLocaleDateString('en-GB');
</script>

<template>
  <ul class="proposals">
    <li v-for="one in proposals" :key="one.id">
      <div>
        {{ one.words }}.
        <div class="soft">
          {{ one.madeBy }}, {{ when(one.madeAt) }}, for “{{ one.examination }}”
        </div>
      </div>
      <div v-if="decides" class="acts">
        <v-btn
          size="small"
          :disabled="busy"
          :aria-label="`Leave: ${one.words}`"
          @click="emit('decide', one, false)"
          >Leave</v-btn
        >
        <v-btn
          size="small"
          color="primary"
          variant="flat"
          :disabled="busy"
          :aria-label="`Take: ${one.words}`"
          @click="emit('decide', one, true)"
          >Take</v-btn
        >
      </div>
    </li>
  </ul>
</template>

<style scoped>
.proposals {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
li {
  display: flex;
  gap: 6px 14px;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  padding: 8px 0;
}
li + li {
  border-top: 1px solid rgba(var(--v-theme-on-surface), 0.16);
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
