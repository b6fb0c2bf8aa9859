import type { Decision, Settings, StandardsPage } from '@kritikos/contracts/standards';
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { recordsOf } from '@kritikos/core/standards/markColumns';
import type { DecisionSureness } from '@kritikos/core/standards/decisionSureness';
import type { MethodsSideBySide } from '@kritikos/core/standards/methodsSideBySide';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import type { PartPercents } from '@kritikos/core/standards/partPercents';
import type { Standard } from '@kritikos/core/standards/setStandard';
import { useDebounceFn } from '@vueuse/core';
import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import { onMounted, ref, shallowRef, watch } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { countSafety } from '@kritikos/core/standards/candidateFacts';
import type { StationOfPage } from './stationOfPage.ts';
import type { StandardsWork } from './standards.worker.ts';
import { usePanelRows } from './usePanelRows.ts';

const RESAMPLES = 2000;

/** What the page holds beside the marks: whom it decides on, and everybody who has marks. */
type OpenPage = Omit<StandardsPage, 'marks'> & { everybody: StandardsPage['candidates'] };

let working: Remote<StandardsWork> | undefined;

/** The work beside the page. It stays for the next visit: it takes longer to start than to compute. */
function besideThePage(): Remote<StandardsWork> {
  working ??= wrap<StandardsWork>(
    new Worker(new URL('./standards.worker.ts', import.meta.url), { type: 'module' }),
  );
  return working;
}

/** The standard under discussion: the settings as the lead moves them, and what follows at once. */
export function useStandard(examination: string) {
  const params = { examination };
  const page = shallowRef<OpenPage | null>(null);
  const data = shallowRef<readonly StationOfPage[]>([]);
  const settings = ref<Settings | null>(null);
  const standard = shallowRef<Standard | null>(null);
  const bootstraps = shallowRef<BootstrapCut[]>([]);
  const methods = shallowRef<MethodsSideBySide | null>(null);
  const sureness = shallowRef<DecisionSureness | null>(null);
  const error = ref('');
  const partsKnown = ref(false);
  const work = besideThePage();

  /** How often the settings were moved here, and whether they are just being taken from the server. */
  let moved = 0;
  let taking = false;

  async function load(): Promise<void> {
    const movedBefore = moved;
    try {
      const { candidates, marks, ...rest } = await call(
        'GET /examinations/:examination/standards',
        { params },
      );
      const ids = candidates.map((c) => c.id);
      const decidedOn = candidates.filter((c) => !c.withdrawn);
      data.value = marks.map(({ station, title, position, ...columns }) => {
        return { station, title, position, records: recordsOf(columns, ids) };
      });
      await work.take(
        data.value.map(({ station, records }) => ({ station, records })),
        decidedOn.map((c) => c.id),
        countSafety(rest.safety),
      );
      // A rule that asks for parts cannot be applied without them; others need not wait.
      const parts = takeParts(ids);
      if (Object.keys(rest.draft.rule.parts).length > 0) await parts;
      page.value = { ...rest, candidates: decidedOn, everybody: candidates };
      // What was moved since this was asked for is newer than the draft that it answers with.
      if (settings.value === null || moved === movedBefore) {
        taking = settings.value !== null;
        settings.value = rest.draft;
      }
      error.value = '';
    } catch (thrown) {
      error.value = messageOf(thrown);
    }
  }
  /** Fetches what everybody earned part by part, and hands it to the work beside the page. */
  async function takeParts(ids: readonly string[]): Promise<void> {
    partsKnown.value = false;
    const columns = await call('GET /examinations/:examination/standards/parts', { params });
    const of = (place: number) =>
      Object.fromEntries(
        RULE_PARTS.map((part) => [part, columns[part][place] ?? null]),
      ) as PartPercents;
    await work.takeParts(new Map(ids.map((id, place) => [id, of(place)])));
    partsKnown.value = true;
  }
  onMounted(load);

  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
  const { inTurn } = useInTurn();
  const keepDraft = useDebounceFn(async (draft: Settings) => {
    await inTurn(() =>
      call('PUT /examinations/:examination/standards/draft', { params, body: draft }),
    ).catch(() => undefined);
  }, 500);
  const resample = useDebounceFn(async (borderline: number) => {
    bootstraps.value = await work.bootstraps(borderline, RESAMPLES);
  }, 150);

  async function compareNow(now: Settings): Promise<void> {
    sureness.value = await work.sureness(now);
    methods.value = await work.methods(now);
  }
  const compare = useDebounceFn(compareNow, 120);

  watch(
    settings,
    async (now, before) => {
      if (!now || !page.value) return;
      standard.value = await work.standard(plain(now));
      // The first comparison need not wait for a hand to rest.
      void (before ? compare : compareNow)(plain(now));
      void resample(now.borderline);
      if (before && !taking) {
        moved++;
        void keepDraft(plain(now));
      }
      taking = false;
    },
    { deep: true },
  );

  const panels = usePanelRows(examination, data, settings, (now, cuts) => work.byCuts(now, cuts));

  async function sign(reason: string): Promise<Decision> {
    if (!settings.value)
      throw new Error('There is no standard to sign yet; wait until it is there.');
    const follows = page.value?.decisions[0]?.id ?? null;
    const body = { settings: settings.value, reason, follows };
    const decision = await call('POST /examinations/:examination/decisions', { params, body });
    await load();
    return decision;
  }

  return {
    page,
    data,
    settings,
    standard,
    bootstraps,
    methods,
    sureness,
    partsKnown,
    error,
    panels,
    load,
    sign,
  };
}
