import type { SheetState } from '@kritikos/contracts/marking';
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import type { Ref } from 'vue';
import { clockAhead } from '../http/serverClock.ts';

/**
 * Seconds left at this station, counted from the clock events of the sheet; negative in overtime.
 * A submission ends the count.
 */
export function useCountdown(
  state: Ref<SheetState | null>,
  minutes: Ref<number>,
  warning: Ref<number>,
) {
  const now = useNow({ interval: 500 });
  const remaining = computed(() => {
    const clock = state.value?.clock;
    if (!clock) return 60 * minutes.value;
    if (!clock.running) return clock.remaining;
    const submitted = state.value?.submittedAt;
    const until = submitted ? Date.parse(submitted) : now.value.getTime() - clockAhead.value;
    const passed = until - Date.parse(clock.since);
    return clock.remaining - Math.max(0, passed) / 1000;
  });
  const running = computed(
    () => (state.value?.clock?.running ?? false) && !state.value?.submittedAt,
  );
  const shown = computed(() => {
    const seconds = Math.ceil(Math.abs(remaining.value));
    const text = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
    return remaining.value < 0 ? `+${text}` : text;
  });
  /** True from so many seconds before the end until the end. */
  const ending = computed(
    () => running.value && remaining.value >= 0 && remaining.value <= warning.value,
  );
  return { remaining, running, shown, ending };
}
