import { drawFigure } from '@kritikos/core/figure/draw';
import { figureSvg } from '@kritikos/core/figure/svg';
import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import type { Column, Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { PaperSize } from '@kritikos/contracts/papers';
import type { StationFigure } from '../catalogue/stationFigures.ts';
import type { Printed, PrintedStation } from './printed.ts';
import { picture, withPlaces } from './structure.ts';

/**
 * What all papers share: fonts that ship with the product, the size and edges of a page, and the
 * line at its foot. Everything is black on white, so that any printer does.
 */
const find = createRequire(import.meta.url).resolve;
const sans = (cut: string) => find(`@expo-google-fonts/source-sans-3/${cut}.ttf`);
const serif = (cut: string) => find(`@expo-google-fonts/source-serif-4/${cut}.ttf`);
const FONTS = {
  Sans: {
    normal: sans('400Regular/SourceSans3_400Regular'),
    bold: sans('700Bold/SourceSans3_700Bold'),
    italics: sans('400Regular_Italic/SourceSans3_400Regular_Italic'),
    bolditalics: sans('700Bold_Italic/SourceSans3_700Bold_Italic'),
  },
  Serif: {
    normal: serif('400Regular/SourceSerif4_400Regular'),
    bold: serif('700Bold/SourceSerif4_700Bold'),
    italics: serif('400Regular_Italic/SourceSerif4_400Regular_Italic'),
    bolditalics: serif('700Bold_Italic/SourceSerif4_700Bold_Italic'),
  },
};
pdfmake.setFonts(FONTS);
const FONT_FILES = new Set(Object.values(FONTS).flatMap((cuts) => Object.values(cuts)));
// A paper is made of what it is given: it reads no file but its fonts, and fetches nothing.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => FONT_FILES.has(path));

/** In points, of which an inch has 72. */
const EDGE = 42;
const PAGE = {
  A4: { pageSize: 'A4', width: 595.28 - 2 * EDGE, height: 841.89 - 2 * EDGE },
  Letter: { pageSize: 'LETTER', width: 612 - 2 * EDGE, height: 792 - 2 * EDGE },
} as const satisfies Record<PaperSize, object>;

/** The room that a page of a size leaves for what is printed. */
export function roomOn(size: PaperSize): { readonly width: number; readonly height: number } {
  return PAGE[size];
}

export const RULE = '#555555';
export const STYLES = {
  title: { font: 'Serif', bold: true, fontSize: 24, lineHeight: 1.05 },
  heading: { font: 'Serif', bold: true, fontSize: 13, margin: [0, 12, 0, 3] },
  small: { fontSize: 8.5 },
  large: { fontSize: 15, lineHeight: 1.2 },
} as const satisfies TDocumentDefinitions['styles'];

export interface Paper {
  /** What stands at the foot of its pages. */
  readonly name: string;
  readonly content: Content[];
  readonly landscape?: boolean;
}

export interface Pdf {
  readonly content: Buffer;
  readonly pages: number;
}

/** A paper as PDF; the foot of its pages says which state of the plan it was made from. */
export async function asPdf(paper: Paper, of: Printed, size: PaperSize): Promise<Pdf> {
  let counted = 0;
  const left = `${of.examination.title}, ${dayWords(of.examination.heldOn)}`;
  const state = of.plan
    ? `plan ${of.plan.number}${of.plan.revision > 0 ? `, change ${of.plan.revision}` : ''}`
    : 'no plan published';
  const definition: TDocumentDefinitions = {
    pageSize: PAGE[size].pageSize,
    pageOrientation: paper.landscape ? 'landscape' : 'portrait',
    pageMargins: [EDGE, EDGE, EDGE, EDGE + 8],
    info: { title: `${paper.name}: ${of.examination.title}`, author: of.examination.school },
    defaultStyle: { font: 'Sans', fontSize: 10.5, lineHeight: 1.12, color: '#000000' },
    styles: STYLES,
    content: withPlaces(paper.content),
    // What is read aloud: in which language, by which structure.
    version: '1.7',
    language: 'en-GB',
    tagged: true,
    displayTitle: true,
    footer: (page, pages) => {
      counted = pages;
      return {
        margin: [EDGE, 12, EDGE, 0],
        fontSize: 8,
        columns: [
          { text: left, width: '*' },
          {
            text: `${paper.name} · ${state} · ${page} of ${pages}`,
            width: 'auto',
            alignment: 'right',
          },
        ],
        columnGap: 12,
      };
    },
  };
  const content = await pdfmake.createPdf(definition).getBuffer();
  return { content, pages: counted };
}

/** A day as it is said: 21 May 2027. */
export function dayWords(day: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  );
}

/** A thing on each page: every one but the first begins a new one. */
export function onePageEach(pages: readonly Content[][]): Content[] {
  return pages.map((stack, i) => (i === 0 ? { stack } : { stack, pageBreak: 'before' as const }));
}

/** The number of a station in a ring, its title beside it; a long title takes more lines, not less ink. */
export function stationHead({ position, title, minutes }: PrintedStation, size = 34): Content {
  return {
    columns: [
      {
        width: 'auto',
        text: String(position),
        font: 'Serif',
        bold: true,
        fontSize: size * 1.6,
        margin: [0, -6, 0, 0],
      },
      {
        width: '*',
        stack: [
          {
            text: title,
            font: 'Serif',
            bold: true,
            fontSize: fitting(title, size),
            lineHeight: 1.02,
            headlineLevel: 1,
          },
          { text: `Station ${position} · ${minutes} minutes`, margin: [0, 3, 0, 0] },
        ],
      },
    ],
    columnGap: 16,
    margin: [0, 0, 0, 10],
  };
}

/** A size at which a long title still leaves room for the rest of its page. */
function fitting(title: string, size: number): number {
  return title.length <= 40 ? size : Math.max(14, size * Math.sqrt(40 / title.length));
}

/** Cautions in a frame that no printer loses, the stop rule last and strongest. */
export function cautionBox({ content }: Pick<PrintedStation, 'content'>, fontSize = 10.5): Content {
  return {
    unbreakable: true,
    margin: [0, 8, 0, 4],
    table: {
      widths: ['*'],
      body: [
        [
          {
            fontSize,
            stack: [
              { text: 'Before hands touch anybody', bold: true },
              { ul: [...content.cautions], margin: [0, 2, 0, 4] },
              { text: content.stopRule, bold: true, fontSize: fontSize + 1.5 },
              { text: DEFERS, style: 'small', margin: [0, 4, 0, 0] },
            ],
            margin: [6, 4, 6, 4],
          },
        ],
      ],
    },
    layout: {
      hLineWidth: () => 1,
      vLineWidth: (i) => (i === 0 ? 5 : 1),
    },
  };
}
const DEFERS =
  'Local policy, consent and a licensed clinician’s judgement come first. The examination assesses students; it diagnoses nobody.';

/** The drawings of a station side by side, each with its name. */
export function figures(
  list: readonly StationFigure[],
  id: string,
  { width, height }: { readonly width: number; readonly height: number },
): Content[] {
  const across = list.length > 1 ? 2 : 1;
  const down = Math.ceil(list.length / across);
  const fit: [number, number] = [
    (width - 14 * (across - 1)) / across,
    height / Math.max(1, down) - 18,
  ];
  const drawn = list.map(({ title, spec, side }, i): Column => {
    const drawing = drawFigure(spec, { side, share: 1 });
    return {
      width: '*',
      stack: [
        picture(edgesFirst(figureSvg(drawing, `${id}-${i}`)), drawing.text, {
          fit,
          font: 'Sans',
          alignment: 'center',
        }),
        { text: title, alignment: 'center', style: 'small', margin: [0, 2, 0, 6] },
      ],
    };
  });
  return Array.from({ length: down }, (_, row): Content => ({
    columns: drawn.slice(row * across, (row + 1) * across),
    columnGap: 14,
    unbreakable: true,
  }));
}

/**
 * A drawing whose labels are written over their light edge. A browser is told so by `paint-order`,
 * which no writer of PDF knows: it would draw the edge over the words and leave them white.
 */
function edgesFirst(svg: string): string {
  return svg.replace(
    /<text ([^>]*) (stroke="[^"]*" stroke-width="[^"]*") paint-order="stroke">([^<]*)<\/text>/g,
    '<text $1 $2>$3</text><text $1>$3</text>',
  );
}

/** A table whose head stands on every page that it reaches, and whose rows are never torn. */
export function ledger(
  head: readonly string[],
  rows: readonly (readonly TableCell[])[],
  widths: readonly (string | number)[],
): Content {
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      keepWithHeaderRows: 1,
      widths: [...widths],
      body: [
        head.map((text) => ({ text, bold: true, style: 'small' })),
        ...rows.map((row) => [...row]),
      ],
    },
    layout: {
      hLineWidth: (i: number) => (i === 1 ? 1 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => RULE,
      paddingTop: () => 3,
      paddingBottom: () => 3,
    },
    margin: [0, 4, 0, 6],
  };
}
