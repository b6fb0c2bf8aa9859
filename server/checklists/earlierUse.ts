import { disputeOf } from '@kritikos/core/agreement/disputeKind';
import { scaleOf } from '@kritikos/core/agreement/itemScale';
import { pairwiseAgreement } from '@kritikos/core/agreement/pairwiseAgreement';
import { countSubjects, sheetsByCandidate, subjectsOf } from '@kritikos/core/agreement/ratedSheet';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import type { EarlierUse } from '@kritikos/core/checklists/earlierUse';
import type { Account } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { findChecklistVersion } from './service.ts';

/** Of an item that was used for many years the newest marks are looked at. */
const NEWEST_SHEETS = 5_000;

/**
 * How the items of a version behaved, in whichever versions they were marked in: an item keeps its
 * identity as long as it says the same. Only examinations that the viewer may read are looked at.
 */
export async function earlierUses(
  db: Database,
  versionId: string,
  viewer: Account,
): Promise<Record<string, EarlierUse>> {
  const { content } = await findChecklistVersion(db, versionId);
  const sheets = await sheetsWithItemsOf(db, versionId, viewer.id);
  if (sheets.length === 0) return {};
  const candidates = sheetsByCandidate(sheets);
  return Object.fromEntries(
    content.items.flatMap((item, place) => {
      const shares = sheets.flatMap((sheet) => sheet.shares[place] ?? []);
      if (shares.length === 0) return [];
      const scale = scaleOf(item);
      const subjects = subjectsOf(candidates, [place], scale.read);
      const categories = scale.categories.map(({ key }) => key);
      const use: EarlierUse = {
        marked: shares.length,
        facility: shares.reduce((sum, share) => sum + share, 0) / shares.length,
        pairs: subjects.length,
        agreement:
          subjects.length === 0
            ? null
            : pairwiseAgreement(countSubjects(subjects, categories).tally).estimate,
        dispute: disputeOf(subjects, categories),
      };
      return [[item.key, use]];
    }),
  );
}

interface Row {
  readonly id: string;
  readonly candidate: string;
  readonly examiner: string;
  readonly variants: string;
  readonly categories: readonly (string | null)[];
  readonly shares: readonly (number | null)[];
  /** By place on the version that is asked about: the place on the version that was marked. */
  readonly places: readonly (number | null)[];
}

async function sheetsWithItemsOf(
  db: Database,
  versionId: string,
  viewer: string,
): Promise<RatedSheet[]> {
  const { rows } = await db.raw(
    `with asked as (
       select item_id, position from checklist_item where version_id = :versionId),
     marked as (
       select v.version_id, array_agg(o.position order by k.position) as places
       from (select distinct i.version_id from checklist_item i join asked on asked.item_id = i.item_id) v
         cross join asked k
         left join checklist_item o on o.version_id = v.version_id and o.item_id = k.item_id
       group by v.version_id)
     select h.id, h.station_id || ' ' || h.candidate_id as candidate, a.name as examiner,
       h.variants::text as variants, h.kept_categories as categories, h.kept_shares as shares, m.places
     from marked m join sheet h on h.checklist_version_id = m.version_id
       join station s on s.id = h.station_id join account a on a.id = h.examiner_id
     where h.submitted_at is not null and h.kept_shares is not null and ${readBy('s.examination_id')}
     order by h.submitted_at desc limit ${NEWEST_SHEETS}`,
    { versionId, viewer },
  );
  const numbers = new Map<string, number>();
  return rows.map(({ candidate, categories, shares, places, ...row }: Row) => {
    const number = numbers.get(candidate) ?? numbers.size;
    numbers.set(candidate, number);
    const at = <T>(of: readonly T[]) => places.map((p) => (p === null ? undefined : of[p - 1]));
    return {
      ...row,
      candidate: number,
      percent: null,
      categories: at(categories),
      shares: at(shares).map((share) => share ?? null),
      values: {},
    };
  });
}
