import type { Plan } from '@kritikos/contracts/timetable';
import { changed } from '@kritikos/core/timetable/changes';
import type { PlanChange } from '@kritikos/core/timetable/changes';
import { faultsIn, hardWords, newFaults } from '@kritikos/core/timetable/faults';
import type { Fault } from '@kritikos/core/timetable/faults';
import type { Slot } from '@kritikos/core/timetable/problem';
import { computed, ref, shallowRef } from 'vue';
import { call, messageOf } from '../http/api.ts';

/** What a change would come to: the plan after it, and what it breaks; or why it cannot be. */
export interface Judged {
  readonly slots: readonly Slot[];
  readonly brings: readonly Fault[];
  readonly impossible: string;
}

/** A plan under the hand: what is wrong with it, what a change would break, and the change itself. */
export function usePlan(examination: () => string) {
  const plan = shallowRef<Plan | null>(null);
  const problem = ref('');
  const said = ref('');
  const busy = ref(false);
  const slots = computed<readonly Slot[]>(() => plan.value?.slots ?? []);
  const faults = computed(() => (plan.value ? faultsIn(plan.value.problem, slots.value) : []));
  const params = (id: string) => ({ examination: examination(), timetable: id });

  /** Of two that are opened one after the other the second counts, whichever is read first. */
  let newest = 0;

  async function open(id: string | null): Promise<void> {
    problem.value = '';
    said.value = '';
    if (id === null) {
      newest++;
      plan.value = null;
      return;
    }
    const own = ++newest;
    try {
      const read = await call('GET /examinations/:examination/timetables/:timetable', {
        params: params(id),
      });
      if (own === newest) plan.value = read;
    } catch (thrown) {
      if (own === newest) problem.value = messageOf(thrown);
    }
  }

  /** Quick enough to be asked while something is dragged. */
  function judge(change: PlanChange): Judged {
    if (!plan.value) return { slots: [], brings: [], impossible: '' };
    try {
      const after = changed(plan.value.problem, slots.value, change);
      const brings = newFaults(faults.value, faultsIn(plan.value.problem, after));
      return { slots: after, brings, impossible: '' };
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return { slots: slots.value, brings: [], impossible: error.message };
    }
  }

  /** The change stands on the board at once; the server has the last word. */
  async function change(wanted: PlanChange, words: string): Promise<void> {
    const before = plan.value;
    if (!before || busy.value) return;
    problem.value = '';
    said.value = '';
    const { slots: after, brings, impossible } = judge(wanted);
    const hard = hardWords(brings);
    if (impossible || hard.length > 0) {
      const why = impossible || hard.slice(0, 3).join('. ');
      problem.value = `The day could not be run so: ${why.replace(/\.$/, '')}. Nothing was changed.`;
      return;
    }
    busy.value = true;
    plan.value = { ...before, slots: [...after] };
    try {
      const { revision } = await call(
        'POST /examinations/:examination/timetables/:timetable/changes',
        { params: params(before.id), body: { revision: before.revision, change: wanted } },
      );
      const changes = [{ revision, words, by: 'you' }, ...before.changes];
      plan.value = { ...before, slots: [...after], revision, changes };
      const softly = brings.length > 0 ? ` What it brings: ${brings[0]?.words}.` : '';
      said.value = `${words[0]?.toUpperCase()}${words.slice(1)}.${softly}`;
    } catch (thrown) {
      await open(before.id);
      problem.value = messageOf(thrown);
    } finally {
      busy.value = false;
    }
  }

  async function undo(): Promise<void> {
    const before = plan.value;
    const [last] = before?.changes ?? [];
    if (!before || !last || busy.value) return;
    busy.value = true;
    problem.value = '';
    try {
      plan.value = await call('POST /examinations/:examination/timetables/:timetable/undoing', {
        params: params(before.id),
        body: { revision: before.revision },
      });
      said.value = `Undone: ${last.words}.`;
    } catch (thrown) {
      await open(before.id);
      problem.value = messageOf(thrown);
    } finally {
      busy.value = false;
    }
  }

  return { plan, slots, faults, problem, said, busy, open, judge, change, undo };
}
