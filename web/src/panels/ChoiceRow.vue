<script setup lang="ts" generic="Value extends string | number">
/** A few answers side by side, of which a judge picks one. */
defineProps<{
  label: string;
  choices: readonly { readonly value: Value; readonly words: string }[];
  picked: Value | null;
  disabled: boolean;
}>();
const emit = defineEmits<{ pick: [value: Value] }>();
</script>

<template>
  <div class="choices" role="group" :aria-label="label">
    <v-btn
      v-for="one in choices"
      :key="one.value"
      height="48"
      :disabled="disabled"
      :variant="picked === one.value ? 'flat' : 'outlined'"
      :color="picked === one.value ? 'primary' : undefined"
      :aria-pressed="picked === one.value"
      @click="emit('pick', one.value)"
    >
      {{ one.words }}
    </v-btn>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
</style>
