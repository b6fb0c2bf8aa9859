import type { Panel } from '@kritikos/contracts/panels';
import { panelBeuk, panelHofstee } from '@kritikos/core/panels/compromise';
import type { Estimate } from '@kritikos/core/numerics/estimate';

export interface PanelCut {
  readonly name: string;
  readonly cut: Pick<Estimate, 'estimate' | 'notes'> & { readonly standardError?: number | null };
}

/** The cuts of the examination that a panel came to in its last closed round; compromises need what candidates scored. */
export function panelCuts(panel: Panel, scores: readonly number[]): PanelCut[] {
  const round = panel.rounds.filter(({ open }) => !open).at(-1);
  if (!round) return [];
  const lacks = {
    estimate: null,
    notes: ['It needs the scores of candidates, and nobody was marked yet.'],
  };
  return [
    { name: `${panel.title}, round ${round.number}`, cut: round.cut },
    ...(panel.asksHofstee
      ? [
          {
            name: `Hofstee by ${panel.title}`,
            cut: scores.length > 0 ? panelHofstee(scores, round.answers) : lacks,
          },
        ]
      : []),
    ...(panel.asksBeuk
      ? [
          {
            name: `Beuk by ${panel.title}`,
            cut: scores.length > 0 ? panelBeuk(scores, round.answers) : lacks,
          },
        ]
      : []),
  ];
}
