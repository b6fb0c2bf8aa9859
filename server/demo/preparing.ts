import { equipmentFor } from '@kritikos/catalogue/equipment';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { procedureById } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import type { Account } from '@kritikos/contracts/accounts';
import { draftContent } from '@kritikos/contracts/draftContent';
import { asOpenCatalogue, readOpenCatalogue } from '@kritikos/contracts/openCatalogue';
import type { BankStation, NewBankStation } from '@kritikos/contracts/stations';
import type { DraftContent, DraftItem } from '@kritikos/core/checklists/draftChecklist';
import { withoutItem } from '@kritikos/core/checklists/mend';
import { changesTo, contentOf, withChanges } from '@kritikos/core/checklists/pieces';
import type { PieceChange } from '@kritikos/core/checklists/pieces';
import { bringOntoShelf } from '../catalogue/shelf.ts';
import { beginStationDraft, changeDraft } from '../checklists/drafts.ts';
import type { Database } from '../db/database.ts';
import { keepWanted } from '../examinations/blueprint.ts';
import * as examinations from '../examinations/service.ts';
import { addStation } from '../examinations/stations.ts';
import { newId } from '../http/newId.ts';
import { copyStation, stationFromFile } from '../stations/making.ts';
import { createBankStation } from '../stations/service.ts';
import { seatNextYearsPanel } from './nextYearsPanel.ts';
import { planNextYear } from './nextYearsTimetable.ts';
import { SCHOOL } from './people.ts';
import { HEEL_RAISE } from './schoolProcedures.ts';
import type { BankName } from './stations.ts';

export const NEXT_YEAR = 'Second-year special tests, 2027';
export const COPIED = 'Knee that gives way on stairs';
export const OWN_STATION = 'Calf that tires';
export const IMPORTED = 'Outer thigh, from a colleague’s file';

/**
 * Next year's examination in preparation: a blueprint half filled, one station twice, two drafts
 * with something for the reading along to find, and a file that waits to be mended. On the school's
 * shelf stands a procedure of its own, and in the bank a station that asks it.
 */
export async function prepareNextYear(
  db: Database,
  bank: ReadonlyMap<BankName, BankStation>,
  lead: Account,
): Promise<void> {
  await bringOntoShelf(db, [asInAFile(HEEL_RAISE)], lead);
  await createBankStation(db, OWN, lead);
  const stationOf = (name: BankName) => bank.get(name) as BankStation;
  const { station: again } = await copyStation(
    db,
    { bankVersionId: stationOf('kneeThatGaveWay').versionId, title: COPIED },
    lead,
  );
  const wanted = { title: NEXT_YEAR, school: SCHOOL, cohort: '2027', heldOn: '2027-05-21' };
  const { id } = await examinations.createExamination(
    db,
    { ...wanted, zone: 'Europe/Lisbon' },
    lead,
  );
  const chosen = (['kneeThatGaveWay', 'groinPain', 'overheadAche', 'unsteadyAnkle'] as const).map(
    (name) => stationOf(name).versionId,
  );
  for (const bankVersionId of [...chosen, again.versionId]) {
    await addStation(db, id, { bankVersionId }, lead);
  }
  await keepWanted(
    db,
    id,
    {
      region: {
        knee: { technique: 10, interpretation: 8 },
        shoulder: { technique: 8, interpretation: 6 },
        elbow: { technique: 5, interpretation: 5 },
        ankle: { technique: 6 },
        hip: { comparison: 3 },
      },
      kind: {},
      structure: {},
    },
    lead,
  );
  await planNextYear(db, id, lead);
  await seatNextYearsPanel(db, id, lead);
  await write(db, stationOf('stiffHipInFront'), lead, bundled);
  await write(db, stationOf('kneeThatOpens'), lead, uncompared, [{ piece: 'minutes', value: 3 }]);
  await stationFromFile(db, { title: IMPORTED, minutes: 7, checklist: unfinished('ober') }, lead);
}

const OWN: NewBankStation = {
  title: OWN_STATION,
  procedures: [{ procedure: HEEL_RAISE.id }],
  patient: { condition: 'gastrocnemius-tightness', side: 'left', degree: null },
  minutes: 8,
  equipment: equipmentFor(HEEL_RAISE),
};

/** Through the open format, as anybody's file comes onto the shelf. */
function asInAFile(procedure: Procedure): Procedure {
  const [read] = readOpenCatalogue(JSON.stringify(asOpenCatalogue([procedure]))).procedures;
  return read ?? procedure;
}

/** Two acts in one item, an adequate one, and a scale without its anchors. */
function bundled(content: DraftContent): DraftContent {
  const [first, second] = content.items.filter(
    ({ domain, kind }) => domain === 'technique' && kind === 'done',
  );
  const graded = content.items.find(({ kind }) => kind === 'graded');
  return withItems(content, (item) => {
    if (item === first) return { ...item, text: 'Holds the pelvis flat and lowers the leg slowly' };
    if (item === second) return { ...item, text: 'Keeps an adequate grip of the other knee' };
    return item === graded && item.kind === 'graded' ? { ...item, anchors: ['', '', ''] } : item;
  });
}

/** One side only, a key that the patient does not show, a critical item without its reason. */
function uncompared(content: DraftContent): DraftContent {
  const compared = content.items.filter(({ domain }) => domain === 'comparison');
  const alone = compared.reduce((rest, { key }) => withoutItem(rest, key), content);
  const declared = alone.items.find((item) => item.kind === 'choice');
  const technique = alone.items.find(({ domain }) => domain === 'technique');
  return withItems({ ...alone, stopRule: '' }, (item) => {
    if (item === declared && item.kind === 'choice') {
      const other = item.options.find(({ key }) => key !== item.answer)?.key ?? '';
      return { ...item, answer: other, partly: [] };
    }
    return item === technique ? { ...item, criticality: 'flag' } : item;
  });
}

/** A file as somebody left it: no stop rule, no key, an item without words. */
function unfinished(id: string) {
  const procedure = procedureById(id);
  if (!procedure) throw new RangeError(`The catalogue has lost ${id}.`);
  const title = procedure.names[0] ?? procedure.title;
  const content = withItems(liftChecklist({ ...procedure, title }), (item, place) => {
    if (item.kind === 'choice') return { ...item, answer: '' };
    return place === 1 ? { ...item, text: '' } : item;
  });
  return draftContent.parse({ ...content, stopRule: '' });
}

function withItems(
  content: DraftContent,
  change: (item: DraftItem, place: number) => DraftItem,
): DraftContent {
  return { ...content, items: content.items.map(change) };
}

async function write(
  db: Database,
  station: BankStation,
  lead: Account,
  change: (content: DraftContent) => DraftContent,
  more: readonly PieceChange[] = [],
): Promise<void> {
  const draft = await beginStationDraft(db, station.id, lead);
  const before = withChanges({}, draft.pieces);
  const changes = [...changesTo(before, change(contentOf(before))), ...more];
  await changeDraft(
    db,
    draft.id,
    { id: newId(), changes: changes.map((one) => ({ ...one, seen: 0 })) },
    lead,
  );
}
