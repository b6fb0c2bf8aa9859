import { derivedChecklist } from '@kritikos/catalogue/derivedChecklist';
import { CATALOGUE } from '@kritikos/catalogue/known';
import { procedureById } from '@kritikos/catalogue/procedures';
import type { Blueprint } from '@kritikos/contracts/blueprint';
import type { Draft, DraftSummary } from '@kritikos/contracts/drafts';
import type { ExaminationSummary } from '@kritikos/contracts/examinations';
import type { BankStation } from '@kritikos/contracts/stations';
import { contentOf, withChanges } from '@kritikos/core/checklists/pieces';
import { readAlong } from '@kritikos/core/checklists/readAlong';
import { alikeStations, doubledProcedures } from '@kritikos/core/examinations/alikeStations';
import { blueprintCells, blueprintGaps } from '@kritikos/core/examinations/blueprint';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { IMPORTED, NEXT_YEAR } from './preparing.ts';
import { BANK } from './stations.ts';

// What the demo leaves to be found while an examination is prepared must be there.
const server = await startServer('demo');
let lead: Caller;
beforeAll(async () => {
  lead = await server.lead();
});

describe('next year’s examination', () => {
  const blueprintOf = async (): Promise<Blueprint> => {
    const [next] = (await lead.call('GET', '/examinations')).body as ExaminationSummary[];
    expect(next?.title).toBe(NEXT_YEAR);
    return (await lead.call('GET', `/examinations/${next?.id}/blueprint`).expect(200)).body;
  };
  const draftNamed = async (title: string): Promise<Draft> => {
    const drafts: DraftSummary[] = (await lead.call('GET', '/drafts').expect(200)).body;
    const found = drafts.find((draft) => draft.title === title);
    return (await lead.call('GET', `/drafts/${found?.id}`).expect(200)).body;
  };
  const rulesIn = async (title: string) => {
    const { pieces, procedures } = await draftNamed(title);
    const standing = withChanges({}, pieces);
    const has = (standing.patient as { has: BankStation['patient'] }).has;
    const derived = derivedChecklist(
      procedures.map((procedure) => ({ procedure })),
      has,
      CATALOGUE,
    );
    const minutes = Number(standing.minutes);
    const found = readAlong(contentOf(standing), { derived, minutes, patient: 'the patient' });
    return [...new Set(found.map(({ rule }) => rule))];
  };

  it('has a blueprint with gaps, a doubling and two stations too alike', async () => {
    const { wanted, stations } = await blueprintOf();
    const weighed = stations.map((station) => ({
      ...station,
      procedures: station.procedures.map((id) => ({
        id,
        rows: [procedureById(id)?.region ?? 'any'],
      })),
    }));
    const { short, over } = blueprintGaps(blueprintCells(weighed), wanted.region);
    expect(short.map(({ row }) => row)).toContain('elbow');
    expect(over.map(({ row }) => row)).toContain('knee');
    expect(doubledProcedures(weighed).map(({ procedure }) => procedure)).toEqual([
      'lachman-anterior-translation',
    ]);
    expect(alikeStations(weighed)).toHaveLength(1);
  });

  it('has two drafts in which the reading along finds something, and a file to be mended', async () => {
    expect(await rulesIn(BANK.stiffHipInFront.title)).toEqual(
      expect.arrayContaining(['two-acts', 'vague', 'no-anchors']),
    );
    expect(await rulesIn(BANK.kneeThatOpens.title)).toEqual(
      expect.arrayContaining([
        'no-comparison',
        'no-stop-rule',
        'no-reason',
        'cannot-show',
        'too-many',
      ]),
    );
    expect(await rulesIn(IMPORTED)).toEqual(expect.arrayContaining(['no-key', 'no-stop-rule']));
  });
});
