<script setup lang="ts">
/** The one place where markup becomes a drawing: `figureSvg` of the core wrote it and escaped every word in it. */
defineProps<{ svg: string }>();
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -->
  <figure class="procedure-figure" v-html="svg"></figure>
</template>

<style src="./figure.css"></style>
