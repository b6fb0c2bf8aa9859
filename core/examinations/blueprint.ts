import type { DraftItem } from '../checklists/draftChecklist.ts';

/** What is examined, the columns of a blueprint. Safety is counted apart from technique. */
export const BLUEPRINT_COLUMNS = [
  'position',
  'technique',
  'comparison',
  'interpretation',
  'communication',
  'safety',
] as const;
export type BlueprintColumn = (typeof BLUEPRINT_COLUMNS)[number];

/** A procedure of a station with the rows that it falls into: its region, its kind, its structures. */
export interface BlueprintProcedure {
  readonly id: string;
  readonly rows: readonly string[];
}

export interface BlueprintStation {
  readonly id: string;
  readonly title: string;
  readonly procedures: readonly BlueprintProcedure[];
  readonly items: readonly Pick<
    DraftItem,
    'key' | 'text' | 'domain' | 'weight' | 'safety' | 'procedure'
  >[];
}

/** What stands in one cell: its share of the examination in percent, and which stations fill it. */
export interface BlueprintCell {
  readonly row: string;
  readonly column: BlueprintColumn;
  readonly percent: number;
  readonly stations: readonly string[];
}

/** The column that an item falls into; what is prepared belongs to the position. */
export function columnOf({
  domain,
  safety,
}: Pick<DraftItem, 'domain' | 'safety'>): BlueprintColumn {
  if (safety) return 'safety';
  return domain === 'preparation' || domain === 'positioning' ? 'position' : domain;
}

/**
 * The cells that stations fill, by the weights of their items. Every station counts alike, because
 * every candidate's percent is the mean of theirs; within a station an item counts by its weight.
 * An item that belongs to no procedure is shared among those of its station, and a procedure of
 * several rows (structures) among its rows. The percents of all cells add up to 100.
 *
 * Worked value: one of two stations, with weights 1 (position) and 3 (technique), fills its row
 * with 12.5 and 37.5.
 */
export function blueprintCells(stations: readonly BlueprintStation[]): BlueprintCell[] {
  const cells = new Map<string, { percent: number; stations: Set<string> }>();
  for (const station of stations) {
    const whole = station.items.reduce((sum, { weight }) => sum + (weight ?? 0), 0);
    if (whole === 0) continue;
    for (const item of station.items) {
      const share = (100 * (item.weight ?? 0)) / whole / stations.length;
      const own = station.procedures.filter(({ id }) => id === item.procedure);
      const among = own.length > 0 ? own : station.procedures;
      for (const { rows } of among) {
        for (const row of rows) {
          const name = `${row} ${columnOf(item)}`;
          const cell = cells.get(name) ?? { percent: 0, stations: new Set() };
          cell.percent += share / among.length / rows.length;
          cell.stations.add(station.id);
          cells.set(name, cell);
        }
      }
    }
  }
  return [...cells].map(([name, { percent, stations: filling }]) => {
    const at = name.lastIndexOf(' ');
    const column = name.slice(at + 1) as BlueprintColumn;
    return { row: name.slice(0, at), column, percent, stations: [...filling] };
  });
}

/** Percents wanted in a cell, by row and column. */
export type WantedWeights = Readonly<Record<string, Partial<Record<BlueprintColumn, number>>>>;

export interface CellGap {
  readonly row: string;
  readonly column: BlueprintColumn;
  readonly wanted: number;
  readonly percent: number;
}

/** So far beside what is wanted a cell may lie, in points of percent (common practice, no source). */
export const NEAR_ENOUGH = 2;

/** Where less is examined than wanted, and where more, the widest first. */
export function blueprintGaps(
  cells: readonly BlueprintCell[],
  wanted: WantedWeights,
): { readonly short: readonly CellGap[]; readonly over: readonly CellGap[] } {
  const gaps = Object.entries(wanted).flatMap(([row, columns]) =>
    BLUEPRINT_COLUMNS.flatMap((column): CellGap[] => {
      const asked = columns[column];
      if (asked === undefined) return [];
      const there = cells.find((cell) => cell.row === row && cell.column === column);
      return [{ row, column, wanted: asked, percent: there?.percent ?? 0 }];
    }),
  );
  const by = ({ wanted: asked, percent }: CellGap) => percent - asked;
  return {
    short: gaps.filter((gap) => by(gap) < -NEAR_ENOUGH).sort((a, b) => by(a) - by(b)),
    over: gaps.filter((gap) => by(gap) > NEAR_ENOUGH).sort((a, b) => by(b) - by(a)),
  };
}
