import type { PanelList } from '@kritikos/contracts/panels';
import type { StandardSettings } from '@kritikos/core/standards/setStandard';
import type { CutsForAll } from '@kritikos/core/standards/byCuts';
import { useDebounceFn } from '@vueuse/core';
import { shallowRef, watch } from 'vue';
import type { Ref } from 'vue';
import { call } from '../http/api.ts';
import { panelCuts } from '../panels/panelCuts.ts';
import type { PanelCut } from '../panels/panelCuts.ts';
import type { StationOfPage } from './stationOfPage.ts';

/** What a panel's cuts would come to here, with the cuts themselves where every station has one. */
export interface PanelRow extends PanelCut {
  readonly cuts: Readonly<Record<string, number>> | null;
  readonly outcome: CutsForAll | null;
}

/** The panels of an examination beside the methods that need marks; worked out again as the rule moves. */
export function usePanelRows(
  examination: string,
  data: Ref<readonly StationOfPage[]>,
  settings: Ref<StandardSettings | null>,
  apply: (
    settings: StandardSettings,
    cuts: Readonly<Record<string, number>>,
  ) => Promise<CutsForAll>,
) {
  const rows = shallowRef<PanelRow[]>([]);
  const list = shallowRef<PanelList['panels']>([]);

  async function load() {
    // Without panels, or without a network, the methods that need none stand all the same.
    list.value = await call('GET /examinations/:examination/panels', { params: { examination } })
      .then(({ panels }) => panels)
      .catch(() => []);
  }

  async function workOut() {
    const now = settings.value;
    if (!now || data.value.length === 0) return;
    const scores = totalsOf(data.value);
    const found = list.value.flatMap((panel) => {
      const round = panel.rounds.filter(({ open }) => !open).at(-1);
      return panelCuts(panel, scores).map((own, i) => {
        const everywhere = own.cut.estimate;
        const cuts = data.value.map(({ station }) => [
          station,
          i === 0
            ? round?.stations.find((one) => one.station === station)?.cut.estimate
            : everywhere,
        ]);
        const whole = cuts.every(([, cut]) => typeof cut === 'number');
        return {
          ...own,
          cuts: whole ? (Object.fromEntries(cuts) as Record<string, number>) : null,
        };
      });
    });
    rows.value = await Promise.all(
      found.map(async (row) => ({
        ...row,
        outcome: row.cuts ? await apply(JSON.parse(JSON.stringify(now)), row.cuts) : null,
      })),
    );
  }
  const soon = useDebounceFn(workOut, 200);
  watch([list, settings, data], () => void soon(), { deep: true });
  void load();
  return rows;
}

/** The mean percent of everybody who has a score at every station. */
function totalsOf(data: readonly StationOfPage[]): number[] {
  const percents = new Map<string, number[]>();
  for (const { records } of data) {
    for (const { candidate, percent } of records) {
      if (percent !== null) percents.set(candidate, [...(percents.get(candidate) ?? []), percent]);
    }
  }
  return [...percents.values()]
    .filter((own) => own.length === data.length)
    .map((own) => own.reduce((sum, percent) => sum + percent, 0) / own.length);
}
