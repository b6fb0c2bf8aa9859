import type { Directive } from 'vue';

type Field = HTMLInputElement | HTMLTextAreaElement;
interface Held {
  /** What the page last said stands here. */
  known: string;
  /** True from the first key until what was written is taken. */
  writing: boolean;
}

const held = new WeakMap<Field, Held>();
const textOf = (value: unknown): string =>
  value === null || value === undefined ? '' : String(value);

/**
 * `v-kept="value"` on a field that is taken when it is left (`@change`): shows what is known, and leaves
 * alone what somebody is writing. With `:value` every drawing of the page would put what is known back
 * over it, whatever the drawing was for.
 */
export const vKept: Directive<Field, unknown> = {
  mounted(field, { value }) {
    const own = { known: textOf(value), writing: false };
    held.set(field, own);
    field.value = own.known;
    field.addEventListener('input', () => (own.writing = true));
    field.addEventListener('change', () => (own.writing = false));
  },
  updated(field, { value }) {
    const own = held.get(field);
    const now = textOf(value);
    if (!own || own.known === now) return;
    own.known = now;
    if (!own.writing) field.value = now;
  },
};
