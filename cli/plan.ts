import { readFile } from 'node:fs/promises';
import { RefusedFile } from '@kritikos/contracts/openFile';
import { asPlanFile, asPlanningProblem, readPlanProblem } from '@kritikos/contracts/openPlan';
import type { PlanProblem } from '@kritikos/contracts/openPlan';
import { planDay } from '@kritikos/core/timetable/planDay';
import { BadInput } from './badInput.ts';

/** So much of the search, the same on every machine; the seconds are there for the impatient. */
const NODES = 2_000;

/** The days of an examination, planned from a file. */
export async function plan(
  path: string,
  { seconds, seed }: { seconds: number; seed: number },
): Promise<object> {
  const problem = read(path, await contentOf(path));
  try {
    const planned = await planDay(asPlanningProblem(problem), { seed, nodes: NODES, seconds });
    return asPlanFile(problem, planned, seed);
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`${error.message} Nothing was planned.`);
    throw error;
  }
}

async function contentOf(path: string): Promise<string> {
  return readFile(path, 'utf8').catch((error: Error) => {
    throw new BadInput(`${path} cannot be read (${error.message}).`);
  });
}

function read(path: string, content: string): PlanProblem {
  try {
    return readPlanProblem(content);
  } catch (error) {
    if (!(error instanceof RefusedFile)) throw error;
    throw new BadInput(`${path} was refused, nothing was planned:\n${error.message}`);
  }
}
