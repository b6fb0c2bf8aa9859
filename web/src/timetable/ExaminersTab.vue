<script setup lang="ts">
import type { CandidatePage } from '@kritikos/contracts/examinations';
import type { ExaminerResource, Resources } from '@kritikos/contracts/timetable';
import { computed, ref } from 'vue';
import { call } from '../http/api.ts';
import { useRead } from '../http/useReading.ts';
import ActDialog from '../shell/ActDialog.vue';
import WideTable from '../shell/WideTable.vue';
import PresenceField from './PresenceField.vue';

/** Who examines: the regions, the times, and the candidates whom somebody must not mark. */
const props = defineProps<{
  examination: string;
  resources: Resources;
  heldOn: string;
  zone: string;
  disabled: boolean;
}>();
const emit = defineEmits<{ keep: [who: ExaminerResource, now: Partial<ExaminerResource>] }>();
/** All of them, however many pages that takes. */
const { data: everybody } = useRead(
  () => ['every candidate', props.examination],
  async () => {
    const found: CandidatePage['candidates'] = [];
    for (;;) {
      const { total, candidates: more } = await call('GET /examinations/:examination/candidates', {
        params: { examination: props.examination },
        query: { offset: found.length, limit: 200 },
      });
      found.push(...more);
      if (more.length === 0 || found.length >= total) return found;
    }
  },
);
const candidates = computed(() =>
  (everybody.value ?? []).map(({ id, number, name }) => ({
    value: id,
    title: `${number} ${name}`,
  })),
);
const numbers = computed(
  () => new Map((everybody.value ?? []).map(({ id, number }) => [id, number])),
);

/** Only what was changed is said; whatever another lead changes meanwhile stays. */
const change = (who: ExaminerResource, now: Partial<ExaminerResource>) => emit('keep', who, now);
const asked = ref<ExaminerResource | null>(null);
const known = ref<string | null>(null);
const why = ref('');
const open = computed({
  get: () => asked.value !== null,
  set: (is) => !is && (asked.value = null),
});
function ask(who: ExaminerResource) {
  asked.value = who;
  known.value = null;
  why.value = '';
}
function add() {
  const [who, candidateId] = [asked.value, known.value];
  if (!who || !candidateId) return;
  const others = who.conflicts.filter((one) => one.candidateId !== candidateId);
  change(who, {
    conflicts: [
      ...others,
      {
        candidateId,
        number: numbers.value.get(candidateId) ?? 0,
        reason: why.value.trim(),
        writtenBy: null,
        own: true,
      },
    ],
  });
  asked.value = null;
}
/** Why, or whose word it is where that was told in confidence. */
const saidOf = ({ reason, writtenBy }: ExaminerResource['conflicts'][number]) =>
  reason ?? (writtenBy ? `told to ${writtenBy} in confidence` : 'told in confidence');
const setRegions = (who: ExaminerResource, regions: string[]) =>
  change(who, { regions: regions.length === 0 ? null : regions });
</script>

<template>
  <WideTable label="Examiners">
    <table class="ledger">
      <thead>
        <tr>
          <th>Examiner</th>
          <th>Takes part</th>
          <th>Regions</th>
          <th>There</th>
          <th>Must not mark</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="who in resources.examiners" :key="who.accountId">
          <td>
            {{ who.name }}
            <div class="soft">{{ who.email }}</div>
          </td>
          <td>
            <v-switch
              :model-value="who.takesPart"
              :aria-label="`${who.name} takes part`"
              :disabled="disabled"
              @update:model-value="change(who, { takesPart: $event === true })"
            />
          </td>
          <td class="regions">
            <v-select
              :model-value="who.regions ?? []"
              :items="resources.regions"
              label="only these regions"
              :placeholder="who.regions === null ? 'every region' : ''"
              persistent-placeholder
              multiple
              chips
              closable-chips
              hide-selected
              :disabled="disabled || !who.takesPart"
              @update:model-value="setRegions(who, $event)"
            />
          </td>
          <td>
            <PresenceField
              :takes-part="who.takesPart"
              :model-value="who.present"
              :who="who.name"
              :held-on="heldOn"
              :zone="zone"
              :disabled="disabled"
              @update:model-value="change(who, { present: $event })"
            />
          </td>
          <td class="conflicts">
            <div v-for="one in who.conflicts" :key="one.candidateId">
              {{ one.number }},
              <span :class="{ soft: one.reason === null }">{{ saidOf(one) }}</span>
              <button
                v-if="one.own"
                class="linkish"
                type="button"
                :disabled="disabled"
                :aria-label="`${who.name} may mark candidate ${one.number} after all`"
                @click="change(who, { conflicts: who.conflicts.filter((other) => other !== one) })"
              >
                take out
              </button>
            </div>
            <button
              class="linkish"
              type="button"
              :disabled="disabled"
              :aria-label="`Somebody whom ${who.name} must not mark`"
              @click="ask(who)"
            >
              add
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </WideTable>
  <ActDialog
    v-model="open"
    :title="`Whom ${asked?.name} must not mark`"
    act="Add"
    :width="440"
    :disabled="!known || why.trim().length < 3"
    @act="add"
  >
    <v-autocomplete v-model="known" :items="candidates" label="Candidate" />
    <v-text-field
      v-model="why"
      label="Why"
      placeholder="relative, supervisor"
      hint="Read by you and by administrators; others see that it is so."
      persistent-hint
    />
  </ActDialog>
</template>

<style scoped>
/* The label of the field stands on its upper edge, and not on the line between two rows. */
.ledger .regions {
  min-width: 180px;
  padding-top: 10px;
}
.conflicts {
  min-width: 160px;
}
.linkish {
  margin-right: 6px;
  white-space: nowrap;
}
span + .linkish {
  margin-left: 6px;
}
</style>
