import { readFileSync } from 'node:fs';
import { benchAgreement } from './agreement.ts';
import { benchAnalyses } from './analyses.ts';
import { benchCatalogue } from './catalogue.ts';
import { benchComponents } from './components.ts';
import { benchCut } from './cut.ts';
import { benchFile } from './file.ts';
import { benchHints } from './hints.ts';
import { benchMarking } from './marking.ts';
import { benchPages } from './pages.ts';
import { benchPeople } from './people.ts';
import { benchQuality } from './quality.ts';
import { benchRasch } from './rasch.ts';
import { benchSheet } from './sheet.ts';
import { benchDayBefore } from './dayBefore.ts';
import { benchTimetable } from './timetable.ts';
import { benchWorkshop } from './workshop.ts';

/** One bench a room; a name on the command line runs that one alone. */
const benches = {
  cut: benchCut,
  agreement: benchAgreement,
  components: benchComponents,
  quality: benchQuality,
  rasch: benchRasch,
  file: benchFile,
  marking: benchMarking,
  sheet: benchSheet,
  catalogue: benchCatalogue,
  people: benchPeople,
  hints: benchHints,
  pages: benchPages,
  analyses: benchAnalyses,
  workshop: benchWorkshop,
  timetable: benchTimetable,
  'day-before': benchDayBefore,
};
const wanted = process.argv.slice(2);

/** Time that the host of a virtual machine took away, and all time, since it started. */
function stolen(): [number, number] {
  const times = readFileSync('/proc/stat', 'utf8')
    .split('\n')[0]
    ?.split(/\s+/)
    .slice(1)
    .map(Number);
  return [times?.[7] ?? 0, times?.reduce((sum, t) => sum + t, 0) ?? 1];
}

const before = stolen();
for (const [name, bench] of Object.entries(benches)) {
  if (wanted.length === 0 || wanted.includes(name)) await bench();
}
const after = stolen();
const share = (after[0] - before[0]) / Math.max(1, after[1] - before[1]);
console.log(
  `The machine’s host took away ${Math.round(100 * share)} % of the processors’ time meanwhile.`,
);
process.exit(0);
