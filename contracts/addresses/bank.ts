import { z } from 'zod';
import { checklistSummary, checklistVersion, writtenChecklist } from '../checklists.ts';
import {
  draft,
  draftAnswer,
  draftChanges,
  draftHistory,
  draftNews,
  draftSummary,
  earlierUses,
  historyPage,
  publication,
  since,
  versionUse,
} from '../drafts.ts';
import { job } from '../jobs.ts';
import { retirement } from '../people.ts';
import { nothing } from '../primitives.ts';
import { broughtProcedures, shelfProcedure, shelfReport } from '../shelf.ts';
import {
  bankCopy,
  bankFromFile,
  bankMade,
  bankPage,
  bankSearch,
  bankStation,
  newBankStation,
} from '../stations.ts';
import type { Contracts } from '../contract.ts';
import { LEAD, SIGNED_IN } from './access.ts';

/** What is built once and used again: the school's shelf, the bank of stations, checklists. */
export const bank = {
  'GET /shelf': {
    says: 'The school’s own procedures, each in its newest version, for those who lead or examine',
    access: SIGNED_IN,
    answers: z.array(shelfProcedure),
  },
  'POST /shelf': {
    says: 'Bring procedures onto the shelf, all of them or none; what was there stays as a version',
    access: LEAD,
    body: broughtProcedures,
    answers: z.array(shelfProcedure),
  },
  'POST /shelf/report': {
    says: 'What bringing procedures in would do, and what is unsound in them; nothing is kept',
    access: LEAD,
    body: broughtProcedures,
    answers: shelfReport,
  },
  'PUT /shelf/:shelf/retirement': {
    says: 'Take a procedure of the shelf out of the choice for new stations, or bring it back',
    access: LEAD,
    body: retirement,
    answers: shelfProcedure,
  },
  'GET /bank-stations': {
    says: 'A page of the stations that can be used again, each in its newest version',
    access: LEAD,
    query: bankSearch,
    answers: bankPage,
  },
  'POST /bank-stations': {
    says: 'Make a station of the bank; its checklist follows from the procedures and the patient',
    access: LEAD,
    body: newBankStation,
    answers: bankStation,
  },
  'POST /bank-stations/copies': {
    says: 'Make a station like another, of the bank or of an examination',
    access: LEAD,
    body: bankCopy,
    answers: bankMade,
  },
  'POST /bank-stations/files': {
    says: 'Make a station from a checklist file; an unfinished one waits as a draft',
    access: LEAD,
    body: bankFromFile,
    answers: bankMade,
  },
  'POST /bank-stations/behaviour': {
    says: 'Work out how stations behaved that were marked since; a job, or nothing to do',
    access: LEAD,
    answers: job.nullable(),
  },
  'GET /bank-stations/:bank': {
    says: 'One station of the bank, in its newest version',
    access: LEAD,
    answers: bankStation,
  },
  'POST /bank-stations/:bank/versions': {
    says: 'Make the next version of a station of the bank',
    access: LEAD,
    body: newBankStation,
    answers: bankStation,
  },
  'PUT /bank-stations/:bank/retirement': {
    says: 'Take a station of the bank out of the choice, or bring it back',
    access: LEAD,
    body: retirement,
    answers: bankStation,
  },
  'GET /checklists': {
    says: 'The checklists, each with its newest version',
    access: LEAD,
    answers: z.array(checklistSummary),
  },
  'GET /checklist-versions/:version': {
    says: 'One version of a checklist',
    access: LEAD,
    answers: checklistVersion,
  },
  'POST /checklists/:checklist/versions': {
    says: 'Make the next version of a checklist',
    access: LEAD,
    body: writtenChecklist,
    answers: checklistVersion,
  },
  'GET /checklists/:checklist/versions': {
    says: 'The versions of a checklist, the newest first, and where each is used',
    access: LEAD,
    answers: z.array(versionUse),
  },
  'GET /checklist-versions/:version/earlier': {
    says: 'How the items of a version behaved when they were marked before',
    access: LEAD,
    answers: earlierUses,
  },
  'GET /drafts': {
    says: 'The checklists that are being written',
    access: LEAD,
    answers: z.array(draftSummary),
  },
  'POST /checklists/:checklist/drafts': {
    says: 'Begin a draft of a checklist, or open the one that there is',
    access: LEAD,
    answers: draft,
  },
  'POST /bank-stations/:bank/drafts': {
    says: 'Begin a draft of the checklist of a station of the bank, or open the one that there is',
    access: LEAD,
    answers: draft,
  },
  'GET /drafts/:draft': {
    says: 'A draft in its pieces',
    access: LEAD,
    answers: draft,
  },
  'GET /drafts/:draft/news': {
    says: 'The pieces of a draft that changed since a change',
    access: LEAD,
    query: since,
    answers: draftNews,
  },
  'PUT /drafts/:draft/presence': {
    says: 'Say that one has the draft open; whoever else has sees it',
    access: LEAD,
    answers: nothing,
  },
  'POST /drafts/:draft/changes': {
    says: 'Change pieces of a draft; what another changed meanwhile is not overwritten',
    access: LEAD,
    body: draftChanges,
    answers: draftAnswer,
  },
  'GET /drafts/:draft/history': {
    says: 'A page of the changes of a draft, the newest first',
    access: LEAD,
    query: historyPage,
    answers: draftHistory,
  },
  'POST /drafts/:draft/publication': {
    says: 'Make the next version of the checklist out of a draft, and of its station',
    access: LEAD,
    body: publication,
    answers: checklistVersion,
  },
  'PUT /drafts/:draft/away': {
    says: 'Put a draft away without publishing it, or take it out again',
    access: LEAD,
    body: z.object({ away: z.boolean() }),
    answers: draft,
  },
} as const satisfies Contracts;
