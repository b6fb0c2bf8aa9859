import { createCanvas } from '@napi-rs/canvas';
import readCode from 'jsqr';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** What a general reader finds on a page. */
export interface ReadPage {
  readonly text: string;
  /** In points. */
  readonly width: number;
  readonly height: number;
  /** Words that reach over an edge of the page. */
  readonly cutOff: readonly string[];
  readonly paths: number;
}

/** Reads a PDF with a general reader (pdf.js). */
export async function readPdf(content: Uint8Array): Promise<ReadPage[]> {
  const document = await open(content);
  const pages: ReadPage[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const words = items.flatMap((item) => ('str' in item ? [item] : []));
    const { fnArray } = await page.getOperatorList();
    pages.push({
      text: words.map(({ str, hasEOL }) => str + (hasEOL ? '\n' : '')).join(''),
      width,
      height,
      cutOff: words
        .filter(({ transform: [, , , , x, y], width: wide, height: high }) => {
          const out = x < 0 || y < 0 || x + wide > width + 0.5 || y + high > height + 0.5;
          return out;
        })
        .map(({ str }) => str),
      paths: fnArray.filter((own) => own === OPS.constructPath).length,
    });
  }
  await document.destroy();
  return pages;
}

/** What stands in the structure of a document: its kind, what is said for it, and its words, in order. */
export interface Spoken {
  readonly page: number;
  readonly kind: string;
  readonly alt?: string;
  readonly words: string;
}

/** Reads aloud by the structure, as a general reader (pdf.js) has it; what has no place is not heard. */
export async function readAloud(content: Uint8Array): Promise<Spoken[]> {
  const document = await open(content);
  const spoken: Spoken[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n);
    const { items } = await page.getTextContent({ includeMarkedContent: true });
    const wordsOf = new Map<string, string>();
    const within: string[] = [];
    for (const item of items) {
      if ('str' in item) {
        const id = within.at(-1) ?? '';
        wordsOf.set(id, (wordsOf.get(id) ?? '') + item.str);
      } else if (item.type === 'endMarkedContent') within.pop();
      else within.push(item.id ?? '');
    }
    const heard = (node: StructTreeNode): string =>
      node.children
        .map((own) => ('role' in own ? heard(own) : (wordsOf.get(own.id ?? '') ?? '')))
        .join('');
    const walk = (node: StructTreeNode): void => {
      const { role, alt } = node as StructTreeNode & { alt?: string };
      // Of what goes on over pages a reader shows all on each of them, without the words of the others.
      const words = heard(node).trim();
      if (words !== '' || alt) spoken.push({ page: n, kind: role, ...(alt ? { alt } : {}), words });
      for (const own of node.children) if ('role' in own) walk(own);
    };
    const tree = await page.getStructTree();
    if (tree) walk(tree);
  }
  await document.destroy();
  return spoken;
}

/** What a document says of itself to who reads it aloud. */
export async function readTerms(content: Uint8Array) {
  const document = await open(content);
  const marks = await document.getMarkInfo();
  const { info } = await document.getMetadata();
  await document.destroy();
  return { marked: marks?.Marked ?? false, language: (info as { Language?: string }).Language };
}

const SCALE = 3;

/** What a general decoder (jsQR) reads off a page drawn by a general reader; null where there is no code. */
export async function codeOn(content: Uint8Array, page: number): Promise<string | null> {
  const document = await open(content);
  const own = await document.getPage(page);
  const { canvas } = await drawn(own);
  const { data, width, height } = canvas
    .getContext('2d')
    .getImageData(0, 0, canvas.width, canvas.height);
  await document.destroy();
  return readCode(new Uint8ClampedArray(data), width, height)?.data ?? null;
}

/**
 * How much of the box around some words on a page is dark, in [0, 1], where the page is drawn by a
 * general reader. Throws where the words do not stand there.
 */
export async function inkOf(content: Uint8Array, page: number, words: string): Promise<number> {
  const document = await open(content);
  const own = await document.getPage(page);
  const { items } = await own.getTextContent();
  const found = items.find((item) => 'str' in item && item.str === words);
  if (!found || !('str' in found)) throw new Error(`"${words}" does not stand on page ${page}.`);
  const { canvas, viewport } = await drawn(own);
  const [, , , , x, y] = found.transform as number[];
  const [left, foot] = viewport.convertToViewportPoint(x as number, y as number) as [
    number,
    number,
  ];
  const [wide, high] = [found.width * SCALE, found.height * SCALE];
  const { data } = canvas.getContext('2d').getImageData(left, foot - high, wide, high);
  await document.destroy();
  let dark = 0;
  for (let i = 0; i < data.length; i += 4) if ((data[i] as number) < 100) dark++;
  return dark / (data.length / 4);
}

type Page = Awaited<ReturnType<Awaited<ReturnType<typeof open>>['getPage']>>;
type StructTreeNode = Awaited<ReturnType<Page['getStructTree']>>;

async function drawn(page: Page) {
  const viewport = page.getViewport({ scale: SCALE });
  const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
  const context = canvas.getContext('2d');
  // The reader draws on anything that draws as a page does.
  await page.render({ canvas: canvas as never, canvasContext: context as never, viewport }).promise;
  return { canvas, viewport };
}

function open(content: Uint8Array) {
  return getDocument({ data: new Uint8Array(content), verbosity: 0 }).promise;
}
