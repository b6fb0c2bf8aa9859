import { benchCut } from './cut.ts';
import { benchMarking } from './marking.ts';
import { benchSheet } from './sheet.ts';

/** One bench a room; a name on the command line runs that one alone. */
const benches = { cut: benchCut, marking: benchMarking, sheet: benchSheet };
const wanted = process.argv.slice(2);

for (const [name, bench] of Object.entries(benches)) {
  if (wanted.length === 0 || wanted.includes(name)) await bench();
}
process.exit(0);
