import { v7 } from 'uuid';

/** A new id: UUID version 7, which sorts by the time it was made. */
export function newId(): string {
  return v7();
}
