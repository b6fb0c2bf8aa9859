<script setup lang="ts">
import { asKind, ITEM_KINDS } from '@kritikos/core/checklists/asKind';
import type { ItemKind } from '@kritikos/core/checklists/asKind';
import type { DraftItem, DraftScale } from '@kritikos/core/checklists/draftChecklist';
import { CRITICALITIES, OBSERVABILITIES } from '@kritikos/core/scoring/checklist';
import type { ProcedureVariants } from '@kritikos/core/scoring/checklist';
import { computed } from 'vue';
import ClusterEditor from './ClusterEditor.vue';
import ScaleEditor from './ScaleEditor.vue';
import { CRITICALITY_WORDS, KIND_WORDS, OBSERVABILITY_WORDS } from './words.ts';

/** Everything that an item says beside its words and weight. */
const props = defineProps<{
  item: DraftItem;
  procedures: readonly ProcedureVariants[];
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [item: DraftItem] }>();

const set = (part: object) => emit('change', { ...props.item, ...part } as DraftItem);
/** Takes a part out where it says nothing. */
function setOrLeave(part: keyof DraftItem, value: unknown) {
  const { [part]: _, ...rest } = props.item;
  void _;
  emit('change', (value === undefined ? rest : { ...rest, [part]: value }) as DraftItem);
}
const kinds = ITEM_KINDS.map((value) => ({ value, title: KIND_WORDS[value] }));
const observabilities = OBSERVABILITIES.map((value) => ({
  value,
  title: OBSERVABILITY_WORDS[value],
}));
const criticalities = CRITICALITIES.map((value) => ({ value, title: CRITICALITY_WORDS[value] }));
const variants = computed(() =>
  props.procedures.flatMap((own) =>
    own.variants.map(({ key, label }) => ({ value: key, title: label })),
  ),
);
const procedures = computed(() => [
  { value: undefined, title: 'All of them' },
  ...props.procedures.map(({ procedure, title }) => ({ value: procedure, title })),
]);
const declares = computed(
  () => props.item.declared ?? (props.item.kind === 'choice' || props.item.kind === 'cluster'),
);
const halves = computed((): { part: string; label: string; scale: DraftScale }[] => {
  const { item } = props;
  if (item.kind === 'sides') {
    return [
      { part: 'left', label: 'Left', scale: item.left },
      { part: 'right', label: 'Right', scale: item.right },
    ];
  }
  if (item.kind === 'retest') {
    return [
      { part: 'before', label: 'Before', scale: item.before },
      { part: 'after', label: 'After', scale: item.after },
    ];
  }
  return [];
});
const single = computed((): DraftScale | null => {
  const { kind } = props.item;
  return kind === 'sides' || kind === 'retest' || kind === 'cluster'
    ? null
    : (props.item as DraftScale);
});
/** Both halves are of one kind; changing the kind of one changes the other's. */
function setHalf(part: string, scale: DraftScale) {
  const changed = halves.value.map((half) => [
    half.part,
    half.part === part || half.scale.kind !== scale.kind ? scale : half.scale,
  ]);
  set(Object.fromEntries(changed) as object);
}
const settings = computed(() =>
  props.item.kind === 'retest' ? props.item.settings.join(', ') : '',
);
const setSettings = (typed: string) =>
  set({
    settings: typed
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  });
</script>

<template>
  <div class="editor">
    <div class="two">
      <v-select
        :model-value="item.kind"
        :items="kinds"
        label="Marked as"
        :disabled="disabled"
        @update:model-value="(kind: ItemKind) => emit('change', asKind(item, kind))"
      />
      <v-select
        :model-value="item.observability"
        :items="observabilities"
        label="Who knows it"
        :disabled="disabled"
        @update:model-value="(observability: string) => set({ observability })"
      />
    </div>
    <ScaleEditor
      v-if="single && single.kind !== 'done'"
      :scale="single"
      :disabled="disabled"
      @change="(scale) => set(scale)"
    />
    <ClusterEditor
      v-if="item.kind === 'cluster'"
      :item="item"
      :disabled="disabled"
      @change="(changed) => emit('change', changed)"
    />
    <template v-if="halves.length > 0">
      <fieldset v-for="half in halves" :key="half.part">
        <legend>{{ half.label }}</legend>
        <ScaleEditor
          :scale="half.scale"
          chooses-kind
          :disabled="disabled"
          @change="(scale) => setHalf(half.part, scale)"
        />
      </fieldset>
      <v-text-field
        v-if="item.kind === 'retest'"
        :model-value="settings"
        label="Settings that must stay as they were, with commas between"
        :disabled="disabled"
        @change="setSettings(($event.target as HTMLInputElement).value)"
      />
    </template>
    <div class="two">
      <v-select
        :model-value="item.criticality"
        :items="criticalities"
        label="What missing it does"
        :disabled="disabled"
        @update:model-value="(criticality: string) => set({ criticality })"
      />
      <v-text-field
        v-if="item.criticality !== 'none'"
        :model-value="item.criticalReason ?? ''"
        label="Why it counts for so much"
        data-part="reason"
        :disabled="disabled"
        @update:model-value="(reason: string) => setOrLeave('criticalReason', reason)"
      />
    </div>
    <div class="two">
      <v-select
        v-if="variants.length > 1"
        :model-value="[...(item.variants ?? [])]"
        :items="variants"
        label="Only where it is done this way"
        placeholder="Asked whichever way it is done"
        persistent-placeholder
        multiple
        chips
        :disabled="disabled"
        @update:model-value="
          (chosen: string[]) => setOrLeave('variants', chosen.length > 0 ? chosen : undefined)
        "
      />
      <v-select
        v-if="procedures.length > 2"
        :model-value="item.procedure"
        :items="procedures"
        label="Belongs to"
        :disabled="disabled"
        @update:model-value="(procedure?: string) => setOrLeave('procedure', procedure)"
      />
    </div>
    <div class="switches">
      <v-switch
        :model-value="item.saidEarns"
        label="Saying it earns the mark"
        :disabled="disabled"
        @update:model-value="(on: unknown) => set({ saidEarns: on === true })"
      />
      <v-switch
        :model-value="item.safety"
        label="Summed for safety"
        :disabled="disabled"
        @update:model-value="(on: unknown) => set({ safety: on === true })"
      />
      <v-switch
        :model-value="declares"
        label="What the candidate declares, not what the hands do"
        :disabled="disabled"
        @update:model-value="(on: unknown) => set({ declared: on === true })"
      />
    </div>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 12px;
  padding: 8px 0 12px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 10px;
}
fieldset {
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 6px 10px 10px;
}
legend {
  color: var(--soft);
  padding: 0 4px;
}
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 0 22px;
}
</style>
