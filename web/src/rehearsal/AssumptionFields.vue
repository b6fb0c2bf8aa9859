<script setup lang="ts">
import type { RehearsalAsked } from '@kritikos/contracts/rehearsal';

/** What a rehearsal supposes, each with what it means. */
defineProps<{ errors: Readonly<Record<string, string>>; disabled: boolean }>();
const asked = defineModel<RehearsalAsked>({ required: true });

type Name = keyof RehearsalAsked['assumptions'];
const FIELDS: readonly { name: Name; label: string; unit: string; hint: string; scale: number }[] =
  [
    {
      name: 'ability',
      label: 'Ability',
      unit: '% points',
      hint: 'between candidates, over all stations',
      scale: 1,
    },
    {
      name: 'performance',
      label: 'From station to station',
      unit: '% points',
      hint: 'of one candidate: a good knee, a bad shoulder',
      scale: 1,
    },
    {
      name: 'severity',
      label: 'Severity',
      unit: '% points',
      hint: 'between harsh and mild examiners',
      scale: 1,
    },
    {
      name: 'seeing',
      label: 'Seeing',
      unit: '% points',
      hint: 'of one examiner, from performance to performance',
      scale: 1,
    },
    {
      name: 'slips',
      label: 'Slips',
      unit: '% of marks',
      hint: 'marks that are not what was meant',
      scale: 100,
    },
    {
      name: 'grading',
      label: 'Overall grade',
      unit: 'grades',
      hint: 'about what the score says',
      scale: 1,
    },
  ];
const valueOf = ({ name, scale }: (typeof FIELDS)[number]) =>
  Math.round(asked.value.assumptions[name] * scale * 100) / 100;
function set({ name, scale }: (typeof FIELDS)[number], value: string) {
  const assumptions = { ...asked.value.assumptions, [name]: Number(value) / scale };
  asked.value = { ...asked.value, assumptions };
}
const setWhole = (name: 'rehearsals' | 'seed', value: string) =>
  (asked.value = { ...asked.value, [name]: Number(value) });
const setPairs = (value: string | null) =>
  (asked.value = { ...asked.value, pairs: value ? Number(value) : null });
</script>

<template>
  <div class="fields">
    <v-text-field
      v-for="field in FIELDS"
      :key="field.name"
      type="number"
      :label="field.label"
      :suffix="field.unit"
      :hint="field.hint"
      persistent-hint
      :hide-details="false"
      :step="field.name === 'grading' ? 0.1 : 0.5"
      :model-value="valueOf(field)"
      :error-messages="errors[field.name] ?? []"
      :disabled="disabled"
      @update:model-value="set(field, $event)"
    />
    <v-text-field
      type="number"
      label="Marked twice"
      suffix="sheets"
      hint="as the plan has it where nothing is said"
      persistent-hint
      :hide-details="false"
      placeholder="as planned"
      :model-value="asked.pairs"
      :error-messages="errors.pairs ?? []"
      :disabled="disabled"
      @update:model-value="setPairs($event)"
    />
    <v-text-field
      type="number"
      label="Rehearsals"
      hint="more of them say more surely"
      persistent-hint
      :hide-details="false"
      :model-value="asked.rehearsals"
      :error-messages="errors.rehearsals ?? []"
      :disabled="disabled"
      @update:model-value="setWhole('rehearsals', $event)"
    />
    <v-text-field
      type="number"
      label="Seed"
      hint="the same seed plays the same rehearsals"
      persistent-hint
      :hide-details="false"
      :model-value="asked.seed"
      :error-messages="errors.seed ?? []"
      :disabled="disabled"
      @update:model-value="setWhole('seed', $event)"
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
