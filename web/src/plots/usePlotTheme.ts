import { computed } from 'vue';
import { useTheme } from 'vuetify';

const FAMILY = '"Source Sans 3 Variable", sans-serif';

/** Colours and type of every plot, from the theme of the page. */
export function usePlotTheme() {
  const theme = useTheme();
  return computed(() => {
    const { primary, secondary, 'on-surface': ink } = theme.current.value.colors;
    return {
      primary: String(primary),
      secondary: String(secondary),
      ink: String(ink),
      grid: { color: `${String(ink)}1c` },
      text: { color: String(ink), font: { family: FAMILY, size: 12 } },
    };
  });
}
