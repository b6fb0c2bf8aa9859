<script setup lang="ts">
import { drawFigure } from '@kritikos/core/figure/draw';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import { figureSvg } from '@kritikos/core/figure/svg';
import { computed, useId } from 'vue';
import DrawnFigure from './DrawnFigure.vue';

/** A procedure as a drawing, made only from its data. */
const props = withDefaults(
  defineProps<{ spec: FigureSpec; side?: 'left' | 'right'; share?: number }>(),
  { side: 'right', share: 1 },
);
const id = useId();
const svg = computed(() =>
  figureSvg(drawFigure(props.spec, { side: props.side, share: props.share }), id),
);
</script>

<template>
  <DrawnFigure :svg="svg" />
</template>
