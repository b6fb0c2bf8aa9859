import type {
  Agreed,
  Figure,
  GroupAgreement,
  StationAgreement,
} from '@kritikos/contracts/agreement';
import { scaleOf } from '@kritikos/core/agreement/itemScale';
import { stationAgreement, techniqueAgreement } from '@kritikos/core/agreement/stationAgreement';
import type { Agreement } from '@kritikos/core/agreement/stationAgreement';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import { COEFFICIENTS } from '@kritikos/core/agreement/everyCoefficient';
import { isDeclared } from '@kritikos/core/scoring/checklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';

/** What is worked out of a station; where it stands and what it is called is said anew each time. */
export type Described = Omit<StationAgreement, 'stationId' | 'position' | 'title'>;

type Content = Pick<ChecklistContent, 'items' | 'procedures'>;

/** How far the examiners of a station agree, in the words of its checklist. */
export function describeStation(content: Content, sheets: readonly RatedSheet[]): Described {
  const own = stationAgreement(content.items, sheets);
  return {
    candidates: own.candidates,
    variantsDiffer: own.variantsDiffer,
    examiners: [...own.examiners],
    technique: agreedOf(own.technique),
    declared: own.declared && agreedOf(own.declared),
    scores: { ...own.scores, notes: [...own.scores.notes] },
    pairs: own.pairs.map((pair) => ({ ...pair, agreement: agreedOf(pair.agreement) })),
    byDomain: own.byDomain.map(groupOf),
    byObservability: own.byObservability.map(groupOf),
    byVariant: own.byVariant.map((group) => ({
      ...groupOf(group),
      name: sayVariants(content, group.name),
    })),
    items: content.items.flatMap((item, place) => {
      const found = own.items[place];
      if (!found) return [];
      const { dispute, share, measured, ...agreement } = found;
      return [
        {
          item: item.key,
          text: item.text,
          kind: item.kind,
          domain: item.domain,
          observability: item.observability,
          declared: isDeclared(item),
          weighted: scaleOf(item).weights !== undefined,
          dispute: { ...dispute },
          share,
          measured: measured && {
            unit: measured.unit,
            within: figureOf(measured.within),
            pairs: measured.pairs.map((pair) => ({ ...pair })),
          },
          ...agreedOf(agreement),
        },
      ];
    }),
  };
}

/** How far they agree on technique alone, all items together. */
export function describeTechnique({ items }: Content, sheets: readonly RatedSheet[]): Agreed {
  return agreedOf(techniqueAgreement(items, sheets));
}

function agreedOf({
  candidates,
  marks,
  examiners,
  coefficients,
  prevalenceIndex,
}: Agreement): Agreed {
  return {
    candidates,
    marks,
    examiners,
    prevalenceIndex,
    coefficients: Object.fromEntries(
      COEFFICIENTS.map((name) => {
        const found = coefficients[name];
        return [name, found && figureOf(found)];
      }),
    ) as Agreed['coefficients'],
  };
}

function figureOf({ estimate, lower, upper, notes }: Figure): Figure {
  return { estimate, lower, upper, notes: [...notes] };
}

function groupOf(group: {
  readonly name: string;
  readonly candidates: number;
  readonly marks: number;
  readonly agreement: Agreement | null;
}): GroupAgreement {
  return { ...group, agreement: group.agreement && agreedOf(group.agreement) };
}

/** The variants that examiners recorded, as the checklist calls them. */
export function sayVariants({ procedures }: Pick<Content, 'procedures'>, variants: string): string {
  if (variants === '') return 'recorded differently';
  const seen = JSON.parse(variants) as Record<string, string>;
  const labels = procedures.flatMap(({ procedure, variants: known }) => {
    const variant = known.find(({ key }) => key === seen[procedure]);
    return variant ? [variant.label] : [];
  });
  return labels.join(', ') || 'as usual';
}
