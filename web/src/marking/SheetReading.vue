<script setup lang="ts">
import type { Sheet } from '@kritikos/contracts/marking';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { waysToSee } from '@kritikos/core/marking/waysToSee';
import { computed } from 'vue';
import { describeValue } from './describeEvent.ts';
import { minutesAndSeconds } from '@kritikos/core/marking/stationClock';
import { faultWords } from './faultWords.ts';
import { byPhase } from '@kritikos/core/marking/phases';
import WideTable from '../shell/WideTable.vue';

/** One sheet to be read, not marked; items on which it differs from another are pointed at. */
const props = defineProps<{ sheet: Sheet; differing: readonly string[] }>();
const content = computed(() => props.sheet.checklist.content);
const groups = computed(() =>
  byPhase(content.value.items.filter((i) => belongsToVariant(i, props.sheet.state.variants))),
);
const seen = computed(() =>
  waysToSee(content.value)
    .flatMap(({ procedure, variants }) =>
      variants.filter((v) => v.key === props.sheet.state.variants[procedure]),
    )
    .map((v) => v.label)
    .join(', '),
);
const markOf = (key: string) => props.sheet.state.marks.find((m) => m.item === key);
const ofFault = (key: string) =>
  faultWords(content.value, key, props.sheet.state.faults, markOf(key)).replace(
    'your mark',
    'the mark',
  );
</script>

<template>
  <section class="panel">
    <h2>{{ sheet.examiner }}</h2>
    <p class="soft">
      {{ seen }} ·
      {{
        FIVE_POINT_SCALE.find((g) => g.grade === sheet.state.rating)?.label ?? 'no overall grade'
      }}
    </p>
    <p v-for="event in sheet.state.safety" :key="event.id" class="safety">
      ▲ Safety stop at {{ minutesAndSeconds(event.remaining) }} left.
      {{ event.note || 'The examiner wrote nothing of it.' }}
    </p>
    <WideTable label="Marks on this sheet">
      <table class="ledger">
        <tbody v-for="group in groups" :key="group.title">
          <tr>
            <th colspan="3">{{ group.title }}</th>
          </tr>
          <tr
            v-for="item in group.items"
            :key="item.key"
            :class="{ differs: differing.includes(item.key) }"
          >
            <td class="sign" :title="differing.includes(item.key) ? 'The sheets differ here' : ''">
              {{ differing.includes(item.key) ? '≠' : '' }}
            </td>
            <td>
              {{ item.text }}
              <span class="soft">{{ ofFault(item.key) }}</span>
            </td>
            <td class="value">{{ describeValue(item, markOf(item.key)) }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <p v-if="sheet.state.faults.length > 0">
      Faults:
      {{
        sheet.state.faults.map((f) => content.faults.find((x) => x.key === f)?.text ?? f).join(', ')
      }}
    </p>
    <p v-if="sheet.state.comment" class="comment">“{{ sheet.state.comment }}”</p>
  </section>
</template>

<style scoped>
.safety {
  color: var(--madder);
  font-weight: 600;
}
.sign {
  width: 22px;
  color: var(--madder);
  font-weight: 700;
}
.differs td {
  font-weight: 650;
}
.differs .value {
  color: var(--madder);
}
.value {
  width: 40%;
  min-width: 7em;
}
.comment {
  font-family: var(--serif);
}
</style>
