import type { SheetMark } from '@kritikos/contracts/marking';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { MarkValue } from '@kritikos/core/scoring/mark';
import { onKeyStroke } from '@vueuse/core';
import type { How } from './how.ts';
import { valueOfDigit } from './markChoices.ts';

export interface SheetKeys {
  items: () => readonly ChecklistItem[];
  current: () => number;
  goTo: (place: number) => void;
  set: (item: ChecklistItem, value: MarkValue) => void;
  markOf: (item: ChecklistItem) => SheetMark | undefined;
  qualify: (how: How) => void;
  clear: () => void;
  undo: () => void;
  clock: () => void;
  safety: () => void;
  review: () => void;
  focusMeasure: (item: ChecklistItem) => void;
  /** Presses a button of the item: one more, one less, hold and stop. */
  press: (item: ChecklistItem, button: string) => void;
  focus: (what: 'variant' | 'comment' | 'fault' | 'grade') => void;
}

/**
 * The whole sheet from the keyboard: arrows walk the items, digits mark (1 is the first button; of a
 * pair, that of the half that is due; a count is its digit), + counts one more, H begins and ends a
 * hold, letters say how. Nothing is heard while a text field has the focus.
 */
export function useSheetKeys(keys: SheetKeys): void {
  const on = (key: string, act: () => void) =>
    onKeyStroke(key, (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      event.preventDefault();
      act();
    });
  const item = () => keys.items()[keys.current()];

  on('ArrowDown', () => keys.goTo(keys.current() + 1));
  on('ArrowUp', () => keys.goTo(keys.current() - 1));
  for (let digit = 1; digit <= 9; digit++) {
    on(String(digit), () => {
      const now = item();
      if (!now) return;
      const value = valueOfDigit(now, keys.markOf(now), digit);
      if (value !== undefined) keys.set(now, value);
      else if (now.kind === 'measured') keys.focusMeasure(now);
    });
  }
  const press = (button: string) => () => {
    const now = item();
    if (now) keys.press(now, button);
  };
  on('+', press('.once'));
  on('h', press('.hold'));
  on('s', () => keys.qualify('said-only'));
  on('m', () => keys.qualify('mimed'));
  on('p', () => keys.qualify('prompted'));
  on('o', () => keys.qualify('not-observed'));
  on('n', () => keys.qualify('not-applicable'));
  on('Backspace', keys.clear);
  on('t', keys.clock);
  on('!', keys.safety);
  on('r', keys.review);
  on('v', () => keys.focus('variant'));
  on('c', () => keys.focus('comment'));
  on('f', () => keys.focus('fault'));
  on('g', () => keys.focus('grade'));
  onKeyStroke('z', (event) => {
    if (!(event.ctrlKey || event.metaKey) || isTyping(event.target)) return;
    event.preventDefault();
    keys.undo();
  });
}

function isTyping(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return (
    element !== null &&
    (/^(INPUT|TEXTAREA|SELECT)$/.test(element.tagName) || element.isContentEditable)
  );
}
