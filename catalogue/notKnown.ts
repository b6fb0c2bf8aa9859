/** What was chosen and nobody knows. */
export class NotKnown extends RangeError {
  constructor(
    readonly what: 'procedure' | 'condition',
    readonly id: string,
  ) {
    super(`There is no ${what} "${id}".`);
  }
}
