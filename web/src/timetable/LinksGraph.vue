<script setup lang="ts">
import { connectionOf } from '@kritikos/core/timetable/links';
import type { Link } from '@kritikos/core/timetable/links';
import type { Slot } from '@kritikos/core/timetable/problem';
import { computed, ref } from 'vue';
import { counted } from '../shell/counted.ts';

/**
 * Who can be compared with whom: examiners on a ring, a line where two see the same candidates at
 * the same station or one after the other; weak lines are dashed and named below.
 */
const props = defineProps<{ slots: readonly Slot[] }>();
const SIZE = 460;
const RADIUS = 150;
/** Fewer candidates in common than this say little about two examiners. */
const WEAK = 3;

const WAYS = [
  { value: 'candidate', title: 'Through any candidate' },
  { value: 'sheet', title: 'On the same sheet' },
] as const;
const way = ref<'candidate' | 'sheet'>('candidate');
/** The same candidate at the same station is the strongest that two examiners can have in common. */
const common = computed(() =>
  way.value === 'candidate'
    ? props.slots
    : props.slots
        .filter(({ second }) => second !== null)
        .map((slot) => ({ ...slot, candidate: `${slot.candidate} ${slot.station}` })),
);
const connection = computed(() => connectionOf(common.value));
const names = computed(() => connection.value.groups.flat());
const places = computed(
  () =>
    new Map(
      names.value.map((name, i) => {
        const angle = (2 * Math.PI * i) / names.value.length - Math.PI / 2;
        return [
          name,
          { x: SIZE / 2 + RADIUS * Math.cos(angle), y: SIZE / 2 + RADIUS * Math.sin(angle), angle },
        ];
      }),
    ),
);
const most = computed(() =>
  Math.max(1, ...connection.value.links.map(({ candidates }) => candidates)),
);
const isBridge = (link: Link) => connection.value.bridges.includes(link);
const lines = computed(() =>
  connection.value.links.map((link) => {
    const [one, other] = link.examiners.map((name) => places.value.get(name));
    return {
      link,
      one,
      other,
      width: 0.5 + (4 * link.candidates) / most.value,
      weak: isBridge(link) || link.candidates < WEAK,
    };
  }),
);
const weak = computed(() =>
  [
    ...connection.value.bridges,
    ...connection.value.links.filter((link) => !isBridge(link) && link.candidates < WEAK),
  ].slice(0, 12),
);
const surname = (name: string) =>
  name
    .replace(/ \(.*\)$/, '')
    .split(' ')
    .at(-1) ?? name;
</script>

<template>
  <section class="panel">
    <div class="head">
      <h2>Who can be compared</h2>
      <v-btn-toggle v-model="way" mandatory density="compact" color="primary">
        <v-btn v-for="one in WAYS" :key="one.value" :value="one.value">{{ one.title }}</v-btn>
      </v-btn-toggle>
    </div>
    <p v-if="connection.groups.length === 0" class="soft">
      {{
        way === 'sheet'
          ? 'Nothing is marked twice in this plan.'
          : 'Nobody examines in this plan yet.'
      }}
    </p>
    <template v-else>
      <p>
        <template v-if="way === 'sheet'">
          {{ names.length }} examiners mark sheets together, in
          {{ counted(connection.groups.length, 'group') }}; comparing needs no more than a candidate
          in common, see the other view.
        </template>
        <template v-else-if="connection.groups.length === 1">
          All {{ names.length }} examiners hang together through candidates whom two of them mark.
        </template>
        <template v-else>
          The examiners fall apart into {{ connection.groups.length }} groups that no candidate
          connects: severity cannot be told from ability across them. A second examiner who marks in
          both would connect them.
        </template>
      </p>
      <div class="both">
        <svg
          :viewBox="`0 0 ${SIZE} ${SIZE}`"
          role="img"
          aria-label="Examiners, and the candidates they have in common; the table beside it says the same"
        >
          <line
            v-for="{ link, one, other, width, weak: isWeak } in lines"
            :key="link.examiners.join()"
            :x1="one?.x"
            :y1="one?.y"
            :x2="other?.x"
            :y2="other?.y"
            :stroke-width="width"
            :class="{ weak: isWeak }"
            :stroke-dasharray="isWeak ? '5 4' : undefined"
          >
            <title>{{ link.examiners.join(' and ') }}: {{ link.candidates }} in common</title>
          </line>
          <g v-for="[name, at] in places" :key="name">
            <circle :cx="at.x" :cy="at.y" r="5" />
            <text
              :x="SIZE / 2 + (RADIUS + 12) * Math.cos(at.angle)"
              :y="SIZE / 2 + (RADIUS + 12) * Math.sin(at.angle) + 4"
              :text-anchor="
                Math.abs(Math.cos(at.angle)) < 0.2
                  ? 'middle'
                  : Math.cos(at.angle) > 0
                    ? 'start'
                    : 'end'
              "
            >
              {{ surname(name) }}
            </text>
          </g>
        </svg>
        <div>
          <h3>Weak links</h3>
          <p v-if="weak.length === 0" class="soft">
            None: no two groups hang on one pair, and no pair on fewer than {{ WEAK }} candidates.
          </p>
          <ul v-else>
            <li v-for="link in weak" :key="link.examiners.join()">
              {{ link.examiners.join(' and ') }}: {{ link.candidates }} in common<template
                v-if="isBridge(link)"
                >; without them the group falls in two</template
              >
            </li>
          </ul>
        </div>
      </div>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  justify-content: space-between;
}
.both {
  display: grid;
  grid-template-columns: minmax(260px, 460px) minmax(0, 1fr);
  gap: 20px;
  align-items: start;
}
svg {
  width: 100%;
}
line {
  stroke: var(--petrol);
  opacity: 0.3;
}
line.weak {
  stroke: var(--madder);
  opacity: 0.9;
}
circle {
  fill: var(--ink);
}
text {
  fill: var(--ink);
  font-size: 12px;
}
ul {
  padding-left: 18px;
}
@media (max-width: 700px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
