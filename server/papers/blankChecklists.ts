import { byPhase } from '@kritikos/core/marking/phases';
import { waysToSee } from '@kritikos/core/marking/waysToSee';
import { withheldWords } from '@kritikos/core/marking/withheldWords';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import type { PaperSize } from '@kritikos/contracts/papers';
import type { Content, CustomTableLayout } from 'pdfmake/interfaces';
import QRCode from 'qrcode';
import { wallClock } from '@kritikos/core/timetable/wallClock';
import { RULE } from './paper.ts';
import type { Paper } from './paper.ts';
import type { Printed, PrintedSheet, PrintedStation } from './printed.ts';
import { picture } from './structure.ts';

const BOX = '☐';
const LINE = '________';
/** In points, the room for marks. */
const MARK_POINTS = 210;
/** In points, how close a checklist is set: a usual one fits on a page, and Letter is the shorter. */
interface Setting {
  readonly font: number;
  /** Above and below an item. */
  readonly row: number;
  /** Between the parts. */
  readonly gap: number;
  /** How wide a code is. */
  readonly code: number;
}
const SETTINGS: Readonly<Record<PaperSize, Setting>> = {
  A4: { font: 9.25, row: 1.5, gap: 6, code: 66 },
  Letter: { font: 9, row: 0.75, gap: 3, code: 58 },
};
const rows = ({ row }: Setting): CustomTableLayout => ({
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => RULE,
  paddingTop: () => row,
  paddingBottom: () => row,
});
const BARE: CustomTableLayout = {
  hLineWidth: () => 0,
  vLineWidth: () => 0,
  paddingLeft: () => 0,
  paddingRight: () => 0,
  paddingTop: () => 0,
  paddingBottom: () => 0,
};

/**
 * The blank checklists of a station, one for each sheet that waits to be marked, in the order of
 * the day. The code of a sheet leads to that very sheet on a tablet.
 */
export async function blankChecklists(
  of: Printed,
  station: PrintedStation,
  size: PaperSize,
): Promise<Paper> {
  const set = SETTINGS[size];
  const due = dueOf(of, station);
  const order = (sheet: PrintedSheet) => due(sheet)?.start ?? Infinity;
  const own = of.sheets
    .filter((sheet) => sheet.station === station.id && !sheet.handedIn)
    .sort((a, b) => order(a) - order(b) || a.candidate - b.candidate);
  const pages = await Promise.all(
    own.map(async (sheet, i): Promise<Content> => ({
      fontSize: set.font,
      // Whose sheet it is stands on each of its pages, with its code: pages come apart.
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: ['*'],
        body: [
          [await head(of, station, sheet, due(sheet), set)],
          ...phases(station, set).map((phase) => [phase]),
          [foot(station, set)],
        ],
      },
      layout: BARE,
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    })),
  );
  return { name: `Checklist, station ${station.position}`, content: pages };
}

/** Where a sheet leads on a screen. */
export function sheetLink(door: string, sheet: string): string {
  return `${door}/sheets/${sheet}`;
}

type Due = { readonly start: number; readonly words: string } | undefined;

function dueOf(
  { plan, examination }: Printed,
  { id }: PrintedStation,
): (sheet: PrintedSheet) => Due {
  const clock = wallClock(examination.zone);
  const slots = new Map(
    (plan?.slots ?? [])
      .filter(({ station }) => station === id)
      .map((slot) => [slot.candidate, slot]),
  );
  return ({ candidate }) => {
    const slot = slots.get(candidate);
    return (
      slot && { start: slot.start, words: `${clock.at(slot.start)}, ${clock.dateOf(slot.start)}` }
    );
  };
}

async function head(
  of: Printed,
  station: PrintedStation,
  sheet: PrintedSheet,
  due: Due,
  { code }: Setting,
): Promise<Content> {
  const link = sheetLink(of.door, sheet.id);
  return {
    columns: [
      {
        width: '*',
        stack: [
          {
            text: `${station.position}  ${station.title}`,
            font: 'Serif',
            bold: true,
            fontSize: 15,
            headlineLevel: 1,
          },
          { text: `Candidate ${sheet.candidate}`, bold: true, fontSize: 17, margin: [0, 4, 0, 2] },
          `Examiner: ${sheet.examiner}${due ? ` · ${due.words}` : ''}`,
          ...(station.content.withheld ?? []).map((own): Content => ({
            text: withheldWords(own),
            bold: true,
            style: 'small',
          })),
          {
            text: `Checklist version ${station.checklistVersion}. ${station.content.stopRule}`,
            style: 'small',
            margin: [0, 3, 0, 0],
          },
        ],
      },
      {
        width: code,
        stack: [picture(await codeOf(link), `Code that leads to ${link}`, { fit: [code, code] })],
      },
    ],
    columnGap: 14,
    margin: [0, 0, 0, 4],
  };
}

function codeOf(link: string): Promise<string> {
  return QRCode.toString(link, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
}

/** The phases one under the other; no phase is torn, and none is parted from its name. */
function phases({ content }: PrintedStation, set: Setting): Content[] {
  return byPhase(content.items).map(({ title, items }): Content => ({
    stack: [
      {
        text: title,
        font: 'Serif',
        bold: true,
        headlineLevel: 2,
        margin: [0, set.gap - 2, 0, 1],
      },
      {
        table: {
          widths: ['*', MARK_POINTS],
          body: items.map((item) => [itemCell(item), markCell(item)]),
        },
        layout: rows(set),
      },
    ],
  }));
}

function itemCell(item: ChecklistItem): Content {
  const critical = {
    none: [],
    flag: ['  flagged if missed'],
    'fails-station': ['  fails the station if missed'],
  };
  return {
    text: [
      item.text,
      ...critical[item.criticality].map((text) => ({ text, bold: true })),
      // What each grade is given for stands under its item: nobody looks it up beside a couch.
      ...(item.kind === 'graded'
        ? [
            {
              text: `\n${item.anchors.map((anchor, grade) => `${grade} ${anchor}`).join(' · ')}`,
              fontSize: 7.5,
            },
          ]
        : []),
    ],
  };
}

function markCell(item: ChecklistItem): Content {
  return { text: markWords(item), alignment: 'right' };
}

/** A box and its words stay on one line. */
function box(label: string): string {
  return `${label} ${BOX}`.replaceAll(' ', '\u00a0');
}
const APART = '   ';

function markWords(item: ChecklistItem): string {
  const unseen = box('not seen');
  switch (item.kind) {
    case 'sides':
      return `left: ${scaleWords(item.left)}\nright: ${scaleWords(item.right)}${APART}${unseen}`;
    case 'retest':
      return `before: ${scaleWords(item.before)}\nafter: ${scaleWords(item.after)}${APART}${unseen}`;
    case 'cluster':
      return [...item.options.map(({ label }) => box(label)), unseen].join(APART);
    default:
      return `${scaleWords(item)}${APART}${unseen}`;
  }
}

function scaleWords(scale: Scale): string {
  switch (scale.kind) {
    case 'done':
      return [box('done'), box('not')].join(APART);
    case 'graded':
      return scale.anchors.map((_, grade) => box(String(grade))).join(APART);
    case 'measured':
    case 'count':
      return `${LINE}\u00a0${scale.unit}`;
    case 'hold':
      return `${LINE}\u00a0s`;
    case 'choice':
      return scale.options.map(({ label }) => box(label)).join(APART);
  }
}

function foot({ content }: PrintedStation, { gap }: Setting): Content {
  const several = waysToSee(content).filter(({ variants }) => variants.length > 1);
  return {
    margin: [0, gap, 0, 0],
    stack: [
      ...several.map(({ title, variants }): Content => ({
        text: [
          { text: `Seen of ${title}: `, bold: true },
          variants.map(({ label }) => box(label)).join(APART),
        ],
        margin: [0, 0, 0, gap - 2],
      })),
      {
        text: [
          { text: 'After the checklist, the whole: ', bold: true },
          FIVE_POINT_SCALE.map(({ grade, label }) => box(`${grade} ${label}`)).join(APART),
        ],
      },
      {
        text: [{ text: 'Safety event ', bold: true }, BOX, '   what happened, and when:'],
        margin: [0, gap - 1, 0, 0],
      },
      line(gap),
      { text: 'For the candidate:', bold: true, margin: [0, 3, 0, 0] },
      line(gap),
      { columns: [{ text: 'Signed' }, { text: 'Typed in by' }], margin: [0, gap + 4, 0, 0] },
    ],
  };
}

function line(gap: number): Content {
  return {
    table: { widths: ['*'], body: [['']] },
    layout: {
      hLineWidth: (i: number) => (i === 1 ? 0.5 : 0),
      vLineWidth: () => 0,
      paddingTop: () => gap,
    },
  };
}
