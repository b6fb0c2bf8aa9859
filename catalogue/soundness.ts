import type { Procedure } from './procedure.ts';
import { askedBeyond, drawnBeyond } from './soundness/angles.ts';
import { unasked, unkeyed, unknownStructures } from './soundness/patients.ts';
import { leadsNowhere, namedLikeCatalogue, otherVariants } from './soundness/references.ts';
import type { Unsound } from './soundness/unsound.ts';
import { notAgreeable, wronglyLong } from './soundness/words.ts';

/**
 * What is unsound in a procedure, whoever wrote it: those of the catalogue and those of a school's
 * own are held to the same. `known` are the procedures that it may lead on to.
 */
export function unsoundIn(procedure: Procedure, known: ReadonlySet<string>): Unsound[] {
  // What a misspelt structure leads to is not told beside it.
  const strange = unknownStructures(procedure);
  return [
    ...wronglyLong(procedure),
    ...notAgreeable(procedure),
    ...askedBeyond(procedure),
    ...drawnBeyond(procedure),
    ...strange,
    ...unasked(procedure),
    ...(strange.length > 0 ? [] : unkeyed(procedure)),
    ...otherVariants(procedure),
    ...leadsNowhere(procedure, known),
  ];
}

/** The same for one that is to stand on a school's own shelf, beside the catalogue. */
export function unsoundOnShelf(procedure: Procedure, known: ReadonlySet<string>): Unsound[] {
  return [...namedLikeCatalogue(procedure), ...unsoundIn(procedure, known)];
}
