<script setup lang="ts">
import { drawFigure } from '@kritikos/core/figure/draw';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import { computed, useId } from 'vue';
import FigureShapes from './FigureShapes.vue';
import { viewBox } from './paths.ts';

/** A procedure as a drawing, made only from its data. */
const props = withDefaults(
  defineProps<{ spec: FigureSpec; side?: 'left' | 'right'; share?: number }>(),
  { side: 'right', share: 1 },
);
const drawing = computed(() => drawFigure(props.spec, { side: props.side, share: props.share }));
const id = useId();
</script>

<template>
  <figure class="procedure-figure">
    <svg
      role="img"
      :aria-labelledby="`${id}-text`"
      :viewBox="viewBox(drawing.box)"
      preserveAspectRatio="xMidYMid meet"
    >
      <title :id="`${id}-text`">{{ drawing.text }}</title>
      <FigureShapes :shapes="drawing.shapes" />
    </svg>
    <div v-if="drawing.inset" class="inset">
      <svg aria-hidden="true" :viewBox="viewBox(drawing.inset.drawing.box)">
        <FigureShapes :shapes="drawing.inset.drawing.shapes" />
      </svg>
      <span>{{ drawing.inset.title }}</span>
    </div>
  </figure>
</template>

<style src="./figure.css"></style>
