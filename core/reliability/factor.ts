/** One random factor: `level[i]` is the level of mark i, a whole number below `levels`. */
export interface Factor {
  readonly name: string;
  readonly levels: number;
  readonly level: Int32Array;
  /** What the levels are called, for messages. */
  readonly names?: readonly string[] | undefined;
}
