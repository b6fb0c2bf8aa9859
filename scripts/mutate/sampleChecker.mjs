import { PluginKind, declareFactoryPlugin } from '@stryker-mutator/api/plugin';
import { readFileSync } from 'node:fs';
import { relative } from 'node:path';

/**
 * Lets through the changes of the sample, whose keys stand in a file that room.ts writes, and turns the rest away untried: the tester itself takes
 * places, and a place that holds a function holds every change inside it.
 */
class SampleChecker {
  async init() {
    this.keys = new Set(JSON.parse(readFileSync(process.env.KRITIKOS_MUTATE_SAMPLE ?? '', 'utf8')));
  }

  async check(mutants) {
    return Object.fromEntries(
      mutants.map((mutant) => [
        mutant.id,
        this.keys.has(keyOf(mutant))
          ? { status: 'passed' }
          : { status: 'compileError', reason: 'not in the sample' },
      ]),
    );
  }
}

/** As keyOf in mutants.ts; the tester counts lines and columns from 0 here. */
function keyOf({ fileName, location: { start, end }, mutatorName, replacement }) {
  const file = relative(process.cwd(), fileName);
  return [file, start.line, start.column, end.line, end.column, mutatorName, replacement].join('|');
}

export const strykerPlugins = [
  declareFactoryPlugin(PluginKind.Checker, 'sample', () => new SampleChecker()),
];
