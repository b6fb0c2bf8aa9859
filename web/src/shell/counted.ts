/** A number with what it counts: `1 item`, `3 items`; `2 of its sheets` is not for this. */
export function counted(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}
