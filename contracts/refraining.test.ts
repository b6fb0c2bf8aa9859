import { conditionById } from '@kritikos/catalogue/conditions';
import { derivedChecklist } from '@kritikos/catalogue/derivedChecklist';
import { CATALOGUE } from '@kritikos/catalogue/known';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { respond } from '@kritikos/core/catalogue/response';
import { expect, it } from 'vitest';
import { checklistContent } from './checklists.ts';

it('a checklist of refraining may be published, of whichever procedure and patient', () => {
  let made = 0;
  for (const procedure of PROCEDURES) {
    for (const { structure, state } of procedure.refrains ?? []) {
      const patients = PATIENTS.filter(({ lesions }) =>
        lesions.some((own) => own.structure === structure && own.state === state),
      );
      expect(patients.length, `${procedure.id}: ${structure}`).toBeGreaterThan(0);
      for (const { id, lesions } of patients) {
        const worst = lesions.map((lesion) => ({ ...lesion, degree: 3 as const }));
        expect(respond(procedure, worst).refrain, procedure.id).not.toBeNull();
        const patient = { condition: id, side: 'left', degree: 3, refrain: true } as const;
        const content = derivedChecklist([{ procedure: procedure.id }], patient, CATALOGUE);
        expect(checklistContent.safeParse(content).error, `${procedure.id} ${id}`).toBeUndefined();
        expect(content.withheld?.[0]?.procedure).toBe(procedure.id);
        made++;
      }
    }
  }
  expect(made).toBeGreaterThanOrEqual(12);
});

/** Those on whom something must not be done. */
const PATIENTS = [
  'shoulder-instability',
  'knee-effusion-large',
  'medial-meniscus-tear',
  'lateral-meniscus-tear',
  'achilles-rupture',
].map(conditionById);
