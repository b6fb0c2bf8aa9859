<script setup lang="ts">
import type { DraftItemOf } from '@kritikos/core/checklists/draftChecklist';
import { computed } from 'vue';
import { freeKey } from './freeKey.ts';
import NumberField from './NumberField.vue';

/** A combination: what must be named, what of several, and what speaks for something else. */
const props = defineProps<{ item: DraftItemOf<'cluster'>; disabled: boolean }>();
const emit = defineEmits<{ change: [item: DraftItemOf<'cluster'>] }>();
const MOST = 12;
const ROLES = [
  { value: 'needed', title: 'must be named' },
  { value: 'of', title: 'one of several' },
  { value: 'free', title: 'does not matter' },
  { value: 'never', title: 'spoils the answer' },
] as const;
type Role = (typeof ROLES)[number]['value'];

function roleOf(key: string): Role {
  const { needs, from, never } = props.item;
  if (needs.includes(key)) return 'needed';
  if (from?.of.includes(key)) return 'of';
  return never?.includes(key) ? 'never' : 'free';
}
function withRole(item: DraftItemOf<'cluster'>, key: string, role: Role | null) {
  const rest = (list: readonly string[] = []) => list.filter((one) => one !== key);
  const add = (list: readonly string[], is: Role) => (role === is ? [...list, key] : list);
  const of = add(rest(item.from?.of), 'of');
  const never = add(rest(item.never), 'never');
  const { from, never: _, ...others } = item;
  void _;
  return {
    ...others,
    needs: add(rest(item.needs), 'needed'),
    ...(of.length > 0 ? { from: { atLeast: Math.min(from?.atLeast ?? 1, of.length), of } } : {}),
    ...(never.length > 0 ? { never } : {}),
  };
}
const setRole = (key: string, role: Role) => emit('change', withRole(props.item, key, role));
function remove(key: string) {
  const item = withRole(props.item, key, null);
  emit('change', { ...item, options: item.options.filter((option) => option.key !== key) });
}
const setLabel = (key: string, label: string) =>
  emit('change', {
    ...props.item,
    options: props.item.options.map((o) => (o.key === key ? { ...o, label } : o)),
  });
function add() {
  const key = freeKey(
    'finding',
    props.item.options.map((option) => option.key),
  );
  emit('change', { ...props.item, options: [...props.item.options, { key, label: '' }] });
}
const several = computed(() => props.item.from?.of.length ?? 0);
function setAtLeast(atLeast: number | null) {
  const { from } = props.item;
  if (!from || atLeast === null || !Number.isInteger(atLeast) || atLeast < 1) return;
  emit('change', { ...props.item, from: { ...from, atLeast } });
}
</script>

<template>
  <div class="cluster">
    <div v-for="option in item.options" :key="option.key" class="option">
      <v-text-field
        :model-value="option.label"
        label="Finding"
        :disabled="disabled"
        @update:model-value="(label: string) => setLabel(option.key, label)"
      />
      <v-select
        :model-value="roleOf(option.key)"
        :items="[...ROLES]"
        aria-labelledby=""
        :aria-label="`What naming ${option.label} does`"
        :disabled="disabled"
        @update:model-value="(role: Role) => setRole(option.key, role)"
      />
      <button
        class="linkish"
        type="button"
        :disabled="disabled"
        :aria-label="`Take ${option.label} out`"
        @click="remove(option.key)"
      >
        take out
      </button>
    </div>
    <div class="foot">
      <v-btn size="small" :disabled="disabled || item.options.length >= MOST" @click="add">
        One finding more
      </v-btn>
      <NumberField
        v-if="several > 0"
        :model-value="item.from?.atLeast ?? 1"
        :label="`At least how many of the ${several}`"
        :disabled="disabled"
        @update:model-value="setAtLeast"
      />
    </div>
  </div>
</template>

<style scoped>
.cluster {
  display: grid;
  gap: 8px;
}
.option {
  display: grid;
  grid-template-columns: 1fr 190px auto;
  gap: 8px;
  align-items: center;
}
.foot {
  display: flex;
  gap: 12px;
  align-items: center;
}
.foot .v-input {
  max-width: 240px;
}
</style>
