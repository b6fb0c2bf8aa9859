<script setup lang="ts">
import type { RehearsalAsked } from '@kritikos/contracts/rehearsal';
import { ASSUMPTION_FIELDS } from './assumptionFields.ts';

/** What a rehearsal supposes, each with what it means. */
defineProps<{ errors: Readonly<Record<string, string>>; disabled: boolean }>();
const asked = defineModel<RehearsalAsked>({ required: true });
</script>

<template>
  <div class="fields">
    <v-text-field
      v-for="field in ASSUMPTION_FIELDS"
      :key="field.name"
      type="number"
      :label="field.label"
      :suffix="field.unit"
      :hint="field.hint"
      persistent-hint
      :hide-details="false"
      :step="field.step"
      :placeholder="field.empty"
      :model-value="field.read(asked)"
      :error-messages="errors[field.name] ?? []"
      :disabled="disabled"
      @update:model-value="asked = field.write(asked, $event ?? '')"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px 14px;
  margin-top: 12px;
}
</style>
