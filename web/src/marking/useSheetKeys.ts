import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { onKeyStroke } from '@vueuse/core';
import type { How } from './how.ts';
import { choicesOf } from './markChoices.ts';

export interface SheetKeys {
  items: () => readonly ChecklistItem[];
  current: () => number;
  goTo: (place: number) => void;
  set: (item: ChecklistItem, value: number | string) => void;
  qualify: (how: How) => void;
  clear: () => void;
  undo: () => void;
  clock: () => void;
  safety: () => void;
  review: () => void;
  focusMeasure: (item: ChecklistItem) => void;
  focus: (what: 'variant' | 'comment' | 'fault' | 'grade') => void;
}

/**
 * The whole sheet from the keyboard: arrows walk the items, digits mark (1 is the first button),
 * letters say how. Nothing is heard while a text field has the focus.
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
      const choice = now && choicesOf(now)[digit - 1];
      if (now && choice) keys.set(now, choice.value);
      else if (now?.kind === 'measured') keys.focusMeasure(now);
    });
  }
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
