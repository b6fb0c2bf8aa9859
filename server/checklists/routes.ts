import { route } from '../http/route.ts';
import { historyOf, openDrafts, versionsOf } from './draftRepository.ts';
import * as drafts from './drafts.ts';
import { earlierUses } from './earlierUse.ts';
import { publishDraft } from './publishing.ts';
import { newestVersions } from './repository.ts';
import { findChecklistVersion, makeNextVersion } from './service.ts';

export const checklistRoutes = [
  route('GET /checklists', ({ db }) => newestVersions(db)),
  route('GET /checklist-versions/:version', ({ db, params }) =>
    findChecklistVersion(db, params.version),
  ),
  route('POST /checklists/:checklist/versions', ({ db, params, body, account }) =>
    makeNextVersion(db, params.checklist, body, account),
  ),
  route('GET /checklists/:checklist/versions', ({ db, params, account }) =>
    versionsOf(db, params.checklist, account.id),
  ),
  route('GET /checklist-versions/:version/earlier', ({ db, params, account }) =>
    earlierUses(db, params.version, account),
  ),
  route('GET /drafts', ({ db, account }) => openDrafts(db, account.id)),
  route('POST /checklists/:checklist/drafts', ({ db, params, account }) =>
    drafts.beginDraft(db, params.checklist, account),
  ),
  route('POST /bank-stations/:bank/drafts', ({ db, params, account }) =>
    drafts.beginStationDraft(db, params.bank, account),
  ),
  route('GET /drafts/:draft', ({ db, params, account }) =>
    drafts.readDraft(db, params.draft, account),
  ),
  route('PUT /drafts/:draft/presence', async ({ db, hints, params, account }) => {
    await drafts.notePresence(db, params.draft, account, hints);
    return null;
  }),
  route('GET /drafts/:draft/news', ({ db, params, query, account }) =>
    drafts.newsOf(db, params.draft, query.since, account),
  ),
  route('POST /drafts/:draft/changes', async ({ db, hints, params, body, account }) => {
    const answer = await drafts.changeDraft(db, params.draft, body, account);
    hints.draftChanged(params.draft);
    return answer;
  }),
  route('GET /drafts/:draft/history', async ({ db, params, query, account }) => {
    await drafts.readDraft(db, params.draft, account);
    return historyOf(db, params.draft, query);
  }),
  route('POST /drafts/:draft/publication', async ({ db, hints, params, body, account }) => {
    const version = await publishDraft(db, params.draft, body.sequence, account);
    hints.draftChanged(params.draft);
    return version;
  }),
  route('PUT /drafts/:draft/away', async ({ db, hints, params, body, account }) => {
    const draft = await drafts.putAway(db, params.draft, body.away, account);
    hints.draftChanged(params.draft);
    return draft;
  }),
];
