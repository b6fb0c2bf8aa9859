/** What keeps a procedure from being used, where it stands, and the nearest thing that would do. */
export interface Unsound {
  /** As in the file: `/checklist/items/3/lower`. */
  readonly path: string;
  readonly reason: string;
  /** What would do, in words; `null` where only its writer can say. */
  readonly nearest: string | null;
  /** What to write at the path, where one value puts it right. */
  readonly instead: string | number | null;
}
