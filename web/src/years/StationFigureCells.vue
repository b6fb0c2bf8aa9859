<script setup lang="ts">
import type { StationFigures } from '@kritikos/contracts/years';
import { one, percent, withInterval } from './figures.ts';

/** The cells of one station in one sitting, under the heads of `StationFigureHeads`. */
defineProps<{ of: StationFigures }>();
</script>

<template>
  <td class="number">{{ of.candidates }}</td>
  <td class="number">{{ one(of.facility) }}</td>
  <td class="number">{{ withInterval(of.cut, 1) }}</td>
  <td class="number">{{ of.rSquared?.toFixed(2) ?? '–' }}</td>
  <td class="number">{{ percent(of.failing) }}</td>
  <td class="number">{{ withInterval(of.kappa, 2) }}</td>
</template>
