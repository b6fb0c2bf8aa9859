import type { Account } from '@kritikos/contracts/accounts';
import type { PanelSubject } from '@kritikos/contracts/panels';
import { pointsOf } from '@kritikos/core/panels/panel';
import type { PanelLevel } from '@kritikos/core/panels/panel';
import { belongsToVariant, usualVariants } from '@kritikos/core/scoring/checklist';
import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import { earlierUses } from '../checklists/earlierUse.ts';
import type { Database } from '../db/database.ts';
import type { PanelStation } from './repository.ts';

/** The items that are asked of a candidate who does it the way that the station expects. */
export function itemsAsked(content: ChecklistContent): ChecklistItem[] {
  const usual = usualVariants(content);
  return content.items.filter((item) => belongsToVariant(item, usual));
}

/** An item's key is unlike another's within its checklist only. */
export function subjectOf(station: string, item: string): string {
  return `${station} ${item}`;
}

/** All that a panel judges, with what each earned when it was marked before. */
export async function subjectsOf(
  db: Database,
  stations: readonly PanelStation[],
  level: PanelLevel,
  viewer: Account,
): Promise<PanelSubject[]> {
  const each = await Promise.all(
    stations.map(async ({ id, title, checklistVersionId, content }): Promise<PanelSubject[]> => {
      const earned = await earlierUses(db, checklistVersionId, viewer);
      const items = itemsAsked(content).map((item) => ({
        key: subjectOf(id, item.key),
        station: id,
        text: item.text,
        weight: item.weight,
        points: pointsOf(item),
        earned: earned[item.key]?.facility ?? null,
      }));
      return level === 'item' ? items : [asOne(id, title, items)];
    }),
  );
  return each.flat();
}

/** A station judged as a whole; what it earned is the weighted mean of its items. */
function asOne(station: string, text: string, items: readonly PanelSubject[]): PanelSubject {
  const known = items.filter(({ earned }) => earned !== null);
  const weight = known.reduce((sum, item) => sum + item.weight, 0);
  const earned = known.reduce((sum, item) => sum + item.weight * (item.earned ?? 0), 0);
  return {
    key: station,
    station,
    text,
    weight: 1,
    points: Math.round(items.reduce((sum, item) => sum + item.weight, 0)),
    earned: weight > 0 ? earned / weight : null,
  };
}
