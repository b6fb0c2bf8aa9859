import { sayPatient } from '@kritikos/catalogue/chosenPatient';
import { equipmentFor } from '@kritikos/catalogue/equipment';
import type { KnownProcedures } from '@kritikos/catalogue/known';
import { KINDS, REGIONS } from '@kritikos/catalogue/procedure';
import type { BlueprintRows, BlueprintStationRead } from '@kritikos/contracts/blueprint';
import type { BlueprintStation } from '@kritikos/core/examinations/blueprint';
import type { NeedyStation } from '@kritikos/core/examinations/needs';
import { KIND_WORDS } from '../catalogue/words.ts';

export const ROW_WORDS: Readonly<Record<BlueprintRows, string>> = {
  region: 'Regions',
  kind: 'Kinds of procedure',
  structure: 'Structures',
};

/** The rows that a procedure falls into. */
function rowsOf({ find }: KnownProcedures, id: string, rows: BlueprintRows): readonly string[] {
  const procedure = find(id);
  if (!procedure) return ['not known'];
  switch (rows) {
    case 'region':
      return [procedure.region];
    case 'kind':
      return [procedure.kind];
    case 'structure':
      return procedure.structures.length > 0 ? procedure.structures : ['no structure'];
  }
}

/** The stations as the blueprint weighs them. */
export function asWeighed(
  stations: readonly BlueprintStationRead[],
  rows: BlueprintRows,
  known: KnownProcedures,
): BlueprintStation[] {
  return stations.map((station) => ({
    ...station,
    procedures: station.procedures.map((id) => ({ id, rows: rowsOf(known, id, rows) })),
  }));
}

/** The rows that the grid shows: all regions and kinds; of structures those that are asked or wanted. */
export function shownRows(
  rows: BlueprintRows,
  filled: readonly string[],
  wanted: readonly string[],
): string[] {
  const fixed: readonly string[] =
    rows === 'region'
      ? REGIONS.filter((region) => region !== 'any')
      : rows === 'kind'
        ? KINDS.filter((kind) => kind !== 'preparation')
        : [];
  const others = [...new Set([...filled, ...wanted])].filter((row) => !fixed.includes(row)).sort();
  return [...fixed, ...others];
}

export function sayRow(row: string, rows: BlueprintRows): string {
  if (rows === 'kind') return KIND_WORDS[row as keyof typeof KIND_WORDS] ?? row;
  return row === 'any' ? 'any region' : row;
}

/** What the stations need: what each names, and what its procedures cannot do without. */
export function asNeedy(
  stations: readonly BlueprintStationRead[],
  known: KnownProcedures,
): NeedyStation[] {
  return stations.map(({ title, equipment, procedures, patient }) => {
    const own = procedures.flatMap((id) => {
      const procedure = known.find(id);
      return procedure ? equipmentFor(procedure) : [];
    });
    return {
      title,
      equipment: [...new Set([...equipment, ...own])],
      patient: patient ? sayPatient(patient) : 'nothing special',
    };
  });
}
