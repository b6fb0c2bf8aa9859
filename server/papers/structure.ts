import { createRequire } from 'node:module';
import type { Content, TableCell } from 'pdfmake/interfaces';

/**
 * What a reader that speaks finds in a PDF: headings, lists, tables with their heads, and the words
 * that stand for a picture. The package that lays papers out knows all of this and writes none of it
 * down; its own flag says that a paper has a structure and gives it none. So each piece of content is
 * told beforehand where it stands, which the package carries on to every word, and as a line is
 * drawn its words are entered there. What stands nowhere (rules, frames, the line at the foot, the
 * head of a table on its second page) is marked as something that is not to be read.
 */

type Kind = 'Document' | 'H1' | 'H2' | 'P' | 'Div' | 'Table' | 'TR' | 'TH' | 'TD' | List | 'Figure';
type List = 'L' | 'LI' | 'LBody';

interface Place {
  readonly kind: Kind;
  /** Tells two of a kind apart. */
  readonly number: number;
  readonly alt?: string;
}
/** From the outside in. */
type Path = readonly Place[];

interface Placed {
  readonly structure?: Path;
}

/** What a piece of content may hold, as far as its place goes. */
interface Piece {
  readonly stack?: readonly Content[];
  readonly columns?: readonly Content[];
  readonly ul?: readonly Content[];
  readonly ol?: readonly Content[];
  readonly table?: { readonly body: TableCell[][]; readonly headerRows?: number };
  readonly svg?: string;
  readonly alt?: string;
  readonly text?: unknown;
  readonly style?: unknown;
  readonly headlineLevel?: number;
}

/** A picture and what is said for it. */
export function picture(svg: string, alt: string, rest: object): Content {
  return { svg, alt, ...rest } as Content;
}

/** Content, each piece with its place. Headings are what has their style, or a level of its own. */
export function withPlaces(content: readonly Content[]): Content[] {
  let number = 0;
  const a = (kind: Kind, rest: Partial<Place> = {}): Place => ({ kind, number: number++, ...rest });
  return content.map((node) => place(node, []));

  /** What stands alone in its cell or its point of a list is no paragraph in it beside. */
  function place(node: Content, path: Path, alone = false): Content {
    if (Array.isArray(node)) return node.map((own) => place(own, path));
    if (typeof node !== 'object') return place({ text: String(node) }, path, alone);
    const { stack, columns, ul, ol, table, svg, alt = '', text, style, ...rest } = node as Piece;
    const again = (part: object) => ({ ...node, ...part }) as Content;
    const each = (all: readonly Content[]) => all.map((own) => place(own, path));
    if (stack) return again({ stack: each(stack) });
    if (columns) return again({ columns: each(columns) });
    if (ul) return again({ ul: list(ul, path) });
    if (ol) return again({ ol: list(ol, path) });
    if (table) {
      return again({ table: { ...table, body: rows(table.body, table.headerRows ?? 0, path) } });
    }
    if (svg !== undefined) return again({ structure: [...path, a('Figure', { alt })] });
    if (text === undefined) return node;
    const level = rest.headlineLevel ?? LEVEL_OF[String(style)];
    const kind = level === undefined ? 'P' : level === 1 ? 'H1' : 'H2';
    return again({ text: words(text, alone && kind === 'P' ? path : [...path, a(kind)]) });
  }

  function list(items: readonly Content[], path: Path): Content[] {
    const whole = a('L');
    return items.map((item) => place(item, [...path, whole, a('LI'), a('LBody')], true));
  }

  function rows(body: readonly TableCell[][], heads: number, path: Path): TableCell[][] {
    // A frame, or what keeps a page together, is no table: it has one column.
    const framed = body.every((row) => row.length === 1);
    const whole = a(framed ? 'Div' : 'Table');
    return body.map((row, r) => {
      const own = framed ? [] : [a('TR')];
      return row.map((cell) => {
        if (typeof cell === 'object' && Object.keys(cell).length === 0) return cell;
        const kind = r < heads ? 'TH' : 'TD';
        if (framed) return place(cell as Content, [...path, whole]);
        return place(cell as Content, [...path, whole, ...own, a(kind)], true);
      }) as TableCell[];
    });
  }
}

const LEVEL_OF: Readonly<Record<string, number>> = { title: 1, heading: 2 };

/** Only pieces in a list carry on what they are told; a bare word would lose it. */
function words(text: unknown, structure: Path): object[] {
  if (Array.isArray(text)) return text.flatMap((own) => words(own, structure));
  if (typeof text === 'object' && text !== null) {
    const { text: inner, ...rest } = text as { text?: unknown };
    return words(inner, structure).map((own) => ({ ...rest, ...own }));
  }
  return [{ text, structure }];
}

/** As much of the writer of PDF as is needed here. */
interface Element {
  add(child: Element | object): Element;
  end(): void;
}
interface PdfDocument {
  readonly page: object;
  struct(kind: string, options: { alt?: string; scope?: string }): Element;
  addStructure(element: Element): void;
  markStructureContent(kind: string): object;
  markContent(kind: string): void;
  endMarkedContent(): void;
}
interface Renderer {
  readonly pdfDocument: PdfDocument;
}
type Draw = (this: Renderer, item: never, ...rest: never[]) => void;

/** The structure of one document, as it comes to be while its pages are drawn. */
class Structure {
  readonly #elements = new Map<number, Element>();
  readonly #pageOfHead = new Map<number, object>();
  readonly #root: Element;

  constructor(readonly pdf: PdfDocument) {
    this.#root = pdf.struct('Document', {});
    pdf.addStructure(this.#root);
  }

  draw(path: Path | undefined, draw: () => void): void {
    const last = path?.at(-1);
    if (!path || !last || this.#isRepeatedHead(path)) {
      this.pdf.markContent('Artifact');
      draw();
      this.pdf.endMarkedContent();
      return;
    }
    const element = path.reduce((parent, own) => this.#elementOf(own, parent), this.#root);
    const content = this.pdf.markStructureContent(last.kind);
    draw();
    this.pdf.endMarkedContent();
    element.add(content);
  }

  end(): void {
    this.#root.end();
  }

  #elementOf({ kind, number, alt }: Place, parent: Element): Element {
    const known = this.#elements.get(number);
    if (known) return known;
    const scope = kind === 'TH' ? { scope: 'Column' } : {};
    const made = this.pdf.struct(kind, { ...(alt === undefined ? {} : { alt }), ...scope });
    parent.add(made);
    this.#elements.set(number, made);
    return made;
  }

  #isRepeatedHead(path: Path): boolean {
    const head = path.find(({ kind }) => kind === 'TH');
    if (!head) return false;
    const first = this.#pageOfHead.get(head.number) ?? this.pdf.page;
    this.#pageOfHead.set(head.number, first);
    return first !== this.pdf.page;
  }
}

const structures = new WeakMap<PdfDocument, Structure>();
function structureOf(pdf: PdfDocument): Structure {
  const structure = structures.get(pdf) ?? new Structure(pdf);
  structures.set(pdf, structure);
  return structure;
}

const { default: renderer } = createRequire(import.meta.url)('pdfmake/js/Renderer.js') as {
  default: { prototype: Record<string, Draw> };
};

/** The package draws on as before, each item between its marks. */
function between(name: string, pathOf: (item: never) => Path | undefined): void {
  const drawn = renderer.prototype[name];
  if (!drawn) throw new Error(`The package for papers draws nothing by ${name} any more.`);
  renderer.prototype[name] = function (item, ...rest) {
    structureOf(this.pdfDocument).draw(pathOf(item), () => drawn.call(this, item, ...rest));
  };
}
between('renderLine', ({ inlines }: { inlines: readonly Placed[] }) => {
  return inlines.find((own) => own.structure)?.structure;
});
between('renderSVG', ({ structure }: Placed) => structure);
between('renderVector', () => undefined);

const pages = renderer.prototype.renderPages;
renderer.prototype.renderPages = function (...all) {
  pages?.apply(this, all);
  structureOf(this.pdfDocument).end();
};
