import { byPhase } from '@kritikos/core/marking/phases';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import type { Content } from 'pdfmake/interfaces';
import QRCode from 'qrcode';
import { wallClock } from './clock.ts';
import { RULE } from './paper.ts';
import type { Paper } from './paper.ts';
import type { Printed, PrintedSheet, PrintedStation } from './printed.ts';

const BOX = '☐';
const LINE = '________';
/** In points: how wide a code is, and the room for marks. */
const CODE_POINTS = 66;
const MARK_POINTS = 210;
const ROWS = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => RULE,
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
};

/**
 * The blank checklists of a station, one for each sheet that waits to be marked, in the order of
 * the day. The code of a sheet leads to that very sheet on a tablet.
 */
export async function blankChecklists(of: Printed, station: PrintedStation): Promise<Paper> {
  const due = dueOf(of, station);
  const order = (sheet: PrintedSheet) => due(sheet)?.start ?? Infinity;
  const own = of.sheets
    .filter((sheet) => sheet.station === station.id && !sheet.handedIn)
    .sort((a, b) => order(a) - order(b) || a.candidate - b.candidate);
  const pages = await Promise.all(
    own.map(async (sheet, i): Promise<Content> => ({
      fontSize: 9.25,
      stack: [await head(of, station, sheet, due(sheet)), ...phases(station), foot(station)],
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
): Promise<Content> {
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
          },
          { text: `Candidate ${sheet.candidate}`, bold: true, fontSize: 17, margin: [0, 4, 0, 2] },
          `Examiner: ${sheet.examiner}${due ? ` · ${due.words}` : ''}`,
          {
            text: `Checklist version ${station.checklistVersion}. ${station.content.stopRule}`,
            style: 'small',
            margin: [0, 3, 0, 0],
          },
        ],
      },
      {
        width: CODE_POINTS,
        stack: [
          { svg: await codeOf(sheetLink(of.door, sheet.id)), fit: [CODE_POINTS, CODE_POINTS] },
        ],
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
function phases({ content }: PrintedStation): Content[] {
  return byPhase(content.items).map(({ title, items }): Content => ({
    unbreakable: true,
    stack: [
      { text: title, font: 'Serif', bold: true, margin: [0, 4, 0, 1] },
      {
        table: {
          widths: ['*', MARK_POINTS],
          body: items.map((item) => [itemCell(item), markCell(item)]),
        },
        layout: ROWS,
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

function foot({ content }: PrintedStation): Content {
  const several = content.procedures.filter(({ variants }) => variants.length > 1);
  return {
    unbreakable: true,
    margin: [0, 6, 0, 0],
    stack: [
      ...several.map(({ title, variants }): Content => ({
        text: [
          { text: `Seen of ${title}: `, bold: true },
          variants.map(({ label }) => box(label)).join(APART),
        ],
        margin: [0, 0, 0, 4],
      })),
      {
        text: [
          { text: 'After the checklist, the whole: ', bold: true },
          FIVE_POINT_SCALE.map(({ grade, label }) => box(`${grade} ${label}`)).join(APART),
        ],
      },
      {
        text: [{ text: 'Safety event ', bold: true }, BOX, '   what happened, and when:'],
        margin: [0, 5, 0, 0],
      },
      line(),
      { text: 'For the candidate:', bold: true, margin: [0, 3, 0, 0] },
      line(),
      { columns: [{ text: 'Signed' }, { text: 'Typed in by' }], margin: [0, 10, 0, 0] },
    ],
  };
}

function line(): Content {
  return {
    table: { widths: ['*'], body: [['']] },
    layout: {
      hLineWidth: (i: number) => (i === 1 ? 0.5 : 0),
      vLineWidth: () => 0,
      paddingTop: () => 6,
    },
  };
}
