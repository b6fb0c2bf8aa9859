import type { BasePositionName } from '@kritikos/core/figure/spec';
import type { Procedure } from './procedure.ts';

/** Positions that are taken on a couch; in the others a person stands or sits on a chair. */
const ON_COUCH: ReadonlySet<BasePositionName> = new Set([
  'supine',
  'hook-lying',
  'prone',
  'side-lying',
  'long-sitting',
  'sitting',
]);
/** What is measured with and is not in everybody's hand already. */
const INSTRUMENTS: readonly [RegExp, string][] = [
  [/goniometer/, 'goniometer'],
  [/inclinometer/, 'inclinometer'],
  [/tape/, 'tape measure'],
  [/dynamometer/, 'dynamometer'],
  [/ruler/, 'ruler'],
];
const PROPS: Readonly<Record<string, string>> = {
  bolster: 'bolster',
  step: 'step',
  wall: 'free wall',
  pole: 'pole',
  tape: 'tape measure',
};

/** What a procedure needs beside two people: a couch, what it measures with, what lies under a limb. */
export function equipmentFor({
  figure,
  measurements,
}: Pick<Procedure, 'figure' | 'measurements'>): string[] {
  const couch = figure && ON_COUCH.has(figure.position) ? ['couch'] : [];
  const read = measurements.flatMap(({ instrument }) =>
    INSTRUMENTS.flatMap(([named, thing]) => (named.test(instrument) ? [thing] : [])),
  );
  const props = figure?.props?.flatMap(({ kind }) => PROPS[kind] ?? []) ?? [];
  return [...new Set([...couch, ...read, ...props])];
}
