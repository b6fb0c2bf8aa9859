<script setup lang="ts">
import type { Shape } from '@kritikos/core/figure/drawing';
import { capsulePath, chevron, handPaths, line, point, SCALE } from './paths.ts';

defineProps<{ shapes: readonly Shape[] }>();
const px = (value: number) => value * SCALE;
</script>

<template>
  <template v-for="(shape, i) in shapes" :key="i">
    <g v-if="shape.kind === 'body'" :class="['body', shape.tone]">
      <!-- All outlines first, then all fills, so that the parts share one outline. -->
      <path
        v-for="(part, k) in shape.parts"
        :key="`o${k}`"
        class="outline"
        :d="capsulePath(part)"
      />
      <template v-if="shape.tone !== 'ghost'">
        <path
          v-for="(part, k) in shape.parts"
          :key="`f${k}`"
          :class="['fill', { tinted: part.tinted }]"
          :d="capsulePath(part)"
        />
      </template>
    </g>
    <g v-else-if="shape.kind === 'face'" class="face">
      <template v-if="shape.seen === 'face'">
        <circle :cx="px(shape.x - 0.018)" :cy="px(-shape.y - 0.008)" r="2" />
        <circle :cx="px(shape.x + 0.018)" :cy="px(-shape.y - 0.008)" r="2" />
        <path
          :d="
            line([
              [shape.x, shape.y],
              [shape.x, shape.y - 0.014],
            ])
          "
        />
      </template>
      <template v-else-if="shape.nose">
        <path
          class="nose"
          :d="
            capsulePath({
              x1: shape.x + shape.nose[0] * 0.045,
              y1: shape.y + shape.nose[1] * 0.045,
              r1: 0.016,
              x2: shape.x + shape.nose[0] * 0.068,
              y2: shape.y + shape.nose[1] * 0.068,
              r2: 0.006,
            })
          "
        />
      </template>
    </g>
    <path
      v-else-if="shape.kind === 'prop'"
      :class="['prop', shape.prop]"
      :d="line(shape.points) + (shape.points.length > 2 ? 'Z' : '')"
    >
      <title>{{ shape.label }}</title>
    </path>
    <path
      v-else-if="shape.kind === 'sector'"
      class="sector"
      :d="`${line([shape.centre, ...shape.points])}Z`"
    />
    <path
      v-else-if="shape.kind === 'ray'"
      :class="['ray', { dashed: shape.dashed }]"
      :d="line([shape.from, shape.to])"
    />
    <g v-else-if="shape.kind === 'hand'" :class="['hand', shape.role, { behind: shape.behind }]">
      <path
        v-for="(d, k) in handPaths(shape.at, shape.away, shape.role)"
        :key="`o${k}`"
        class="outline"
        :d="d"
      />
      <path
        v-for="(d, k) in handPaths(shape.at, shape.away, shape.role)"
        :key="`f${k}`"
        class="fill"
        :d="d"
      />
    </g>
    <g v-else-if="shape.kind === 'arrow'" :class="['arrow', { patient: shape.byPatient }]">
      <path class="shaft" :d="line(shape.points)" />
      <path :d="chevron(shape.points)" />
    </g>
    <g v-else-if="shape.kind === 'towards-viewer'" :class="['arrow', { patient: shape.byPatient }]">
      <circle class="shaft" :cx="px(shape.at[0])" :cy="px(-shape.at[1])" r="8" />
      <circle v-if="!shape.away" class="dot" :cx="px(shape.at[0])" :cy="px(-shape.at[1])" r="2.6" />
      <path
        v-else
        :d="`M${point([shape.at[0] - 0.012, shape.at[1] - 0.012])}L${point([shape.at[0] + 0.012, shape.at[1] + 0.012])}M${point([shape.at[0] - 0.012, shape.at[1] + 0.012])}L${point([shape.at[0] + 0.012, shape.at[1] - 0.012])}`"
      />
    </g>
    <text
      v-else
      class="label"
      :x="px(shape.at[0])"
      :y="px(-shape.at[1])"
      :text-anchor="shape.anchor"
    >
      {{ shape.text }}
    </text>
  </template>
</template>
