import { sayPatient } from '@kritikos/catalogue/chosenPatient';
import {
  derivedChecklist,
  MustNotBeDone,
  NothingForbidden,
} from '@kritikos/catalogue/derivedChecklist';
import { NotKnown } from '@kritikos/catalogue/notKnown';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { readAlong } from '@kritikos/core/checklists/readAlong';
import { saysSame } from '@kritikos/core/checklists/saysSame';
import { timeNeeded } from '@kritikos/core/checklists/timeToMark';
import { computed } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { useReading } from '../http/useReading.ts';
import type { WrittenDraft } from './useDraft.ts';

/**
 * Reads along while a draft is written: the words at once, and beside them what follows from the
 * simulated patient and from how the items behaved before.
 */
export function useReadingAlong(own: WrittenDraft, versionId: string) {
  const sent = () => ({ params: { version: versionId } });
  const { data: earlier } = useReading('GET /checklist-versions/:version/earlier', sent);
  const { data: version } = useReading('GET /checklist-versions/:version', sent);

  const { known: catalogue } = useKnownProcedures();
  /** What is known of the items that still say what they said when they were marked. */
  const known = computed(() => {
    const marked = new Map(version.value?.content.items.map((item) => [item.key, item]));
    return Object.fromEntries(
      own.content.value.items.flatMap((item) => {
        const before = marked.get(item.key);
        const use = earlier.value?.[item.key];
        return before && use && saysSame(before, item) ? [[item.key, use]] : [];
      }),
    );
  });

  const procedures = computed(
    () => own.content.value.procedures?.map(({ procedure }) => procedure).join(' ') ?? '',
  );
  const patient = computed(() => own.patient.value?.has ?? null);
  const derived = computed((): ChecklistContent | null => {
    const chosen = procedures.value.split(' ').filter((id) => catalogue.value.find(id));
    if (chosen.length === 0) return null;
    try {
      return derivedChecklist(
        chosen.map((procedure) => ({ procedure })),
        patient.value,
        catalogue.value,
      );
    } catch (error) {
      // Said beside the patient, where it can be put right; or the condition came with a file.
      const saidThere = [MustNotBeDone, NothingForbidden, NotKnown];
      if (saidThere.some((kind) => error instanceof kind)) return null;
      throw error;
    }
  });
  const patientInWords = computed(() => sayPatient(patient.value));
  const twoSided = computed(() =>
    procedures.value.split(' ').some((id) => catalogue.value.find(id)?.sides !== 'none'),
  );

  const findings = computed(() =>
    readAlong(own.content.value, {
      twoSided: twoSided.value,
      patient: patientInWords.value,
      earlier: known.value,
      ...(derived.value ? { derived: derived.value } : {}),
      ...(own.minutes.value ? { minutes: own.minutes.value } : {}),
    }),
  );
  const time = computed(() =>
    own.minutes.value ? timeNeeded(own.content.value.items, own.minutes.value) : null,
  );
  return { findings, derived, patientInWords, time, earlier: known };
}
