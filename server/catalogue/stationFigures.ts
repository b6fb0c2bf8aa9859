import type { KnownProcedures } from '@kritikos/catalogue/known';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';

/** A drawing of a station, with the name of its procedure. */
export interface StationFigure {
  readonly title: string;
  readonly spec: FigureSpec;
  readonly side: 'left' | 'right';
}

/** The drawings of a station, as the school draws the variant that it expects. */
export function figuresOf(
  content: ChecklistContent,
  side: 'left' | 'right',
  known: KnownProcedures,
): StationFigure[] {
  return content.procedures.flatMap(({ procedure, title, usualVariant }) => {
    const found = known.find(procedure);
    const own = found?.schools.find(({ key }) => key === usualVariant);
    const spec = own?.figure ?? found?.figure ?? null;
    return spec === null ? [] : [{ title, spec, side }];
  });
}
