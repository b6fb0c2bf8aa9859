import * as accounts from '@kritikos/contracts/accounts';
import * as agreement from '@kritikos/contracts/agreement';
import * as blueprint from '@kritikos/contracts/blueprint';
import * as checklists from '@kritikos/contracts/checklists';
import * as drafts from '@kritikos/contracts/drafts';
import * as examinations from '@kritikos/contracts/examinations';
import * as jobs from '@kritikos/contracts/jobs';
import * as marking from '@kritikos/contracts/marking';
import * as panels from '@kritikos/contracts/panels';
import * as people from '@kritikos/contracts/people';
import * as problems from '@kritikos/contracts/problem';
import * as rehearsal from '@kritikos/contracts/rehearsal';
import * as results from '@kritikos/contracts/results';
import * as safety from '@kritikos/contracts/safety';
import * as standards from '@kritikos/contracts/standards';
import * as stations from '@kritikos/contracts/stations';
import * as timetable from '@kritikos/contracts/timetable';
import * as audit from '@kritikos/contracts/audit';
import * as calibration from '@kritikos/contracts/calibration';
import * as draftContent from '@kritikos/contracts/draftContent';
import * as house from '@kritikos/contracts/house';
import * as openCatalogue from '@kritikos/contracts/openCatalogue';
import * as papers from '@kritikos/contracts/papers';
import * as shelf from '@kritikos/contracts/shelf';
import * as simulatedPatient from '@kritikos/contracts/simulatedPatient';
import * as sources from '@kritikos/contracts/sources';
import * as studentImport from '@kritikos/contracts/studentImport';
import * as trust from '@kritikos/contracts/trust';
import * as years from '@kritikos/contracts/years';
import { z } from 'zod';

const MODULES = {
  ...{ accounts, agreement, blueprint, checklists, drafts, examinations, jobs, marking, panels },
  ...{ people, problems, rehearsal, results, safety, standards, stations, timetable },
  ...{
    audit,
    calibration,
    draftContent,
    house,
    openCatalogue,
    papers,
    shelf,
    simulatedPatient,
    sources,
    studentImport,
    trust,
    years,
  },
};

/**
 * Describes with the shapes of the contracts known by the names that they have there, so that each is
 * said once and referred to: `session` is `Session`. The names hold no longer than that: other
 * descriptions of the same shapes, as of the open formats, stand by themselves.
 */
export function whileNamed<T>(describe: () => T): T {
  const shapes = Object.entries(namedShapes());
  for (const [id, shape] of shapes) z.globalRegistry.add(shape, { id });
  try {
    return describe();
  } finally {
    for (const [, shape] of shapes) z.globalRegistry.remove(shape);
  }
}

/** Where two modules have one name, the later one is called by its module too. */
function namedShapes(): Record<string, z.ZodObject> {
  const named = new Map<string, z.ZodObject>();
  const taken = new Set<z.ZodObject>();
  for (const [module, shapes] of Object.entries(MODULES)) {
    for (const [name, shape] of Object.entries(shapes)) {
      if (!(shape instanceof z.ZodObject) || taken.has(shape)) continue;
      taken.add(shape);
      named.set(named.has(upper(name)) ? upper(module) + upper(name) : upper(name), shape);
    }
  }
  return Object.fromEntries(named);
}

const upper = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);
