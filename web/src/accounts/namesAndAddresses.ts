/** Somebody as they stand in a line of a list. */
export interface NamedAddress {
  readonly name: string;
  readonly email: string;
}

const ADDRESS = /[^\s<>,;"']+@[^\s<>,;"']+/;

/**
 * Reads a list of people, one in a line: a name and an address in either order, with a comma,
 * a semicolon, a tab, spaces or angle brackets between, as lists and mail programs write them. A
 * line of an address alone has the name that stands before its @. Empty lines are nobody; of what is
 * no such line, its place (from 1) is answered.
 */
export function readNamesAndAddresses(text: string): {
  readonly people: readonly NamedAddress[];
  readonly unreadable: readonly number[];
} {
  const people: NamedAddress[] = [];
  const unreadable: number[] = [];
  for (const [i, line] of text.split(/\r\n|\r|\n/).entries()) {
    if (line.trim() === '') continue;
    const [email] = ADDRESS.exec(line) ?? [];
    if (email === undefined) {
      unreadable.push(i + 1);
      continue;
    }
    const rest = line.replace(email, ' ').replace(/[<>"]/g, ' ');
    const name = rest
      .split(/[,;\t]/)
      .map((part) => part.trim().replace(/\s+/g, ' '))
      .filter((part) => part !== '')
      .join(', ');
    people.push({ name: name || (email.split('@')[0] ?? ''), email });
  }
  return { people, unreadable };
}
