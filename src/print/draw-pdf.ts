import PDFDocument from 'pdfkit';
import drawSvg from 'svg-to-pdfkit';
import { INKS, type PageMark, type PagePart, type PrintedPage, type TextMark } from './page';
import { runsOf, type Face, type Typeface } from './typeface';

/** What a document says of itself. */
export interface PdfFacts {
  readonly title: string;
  readonly language: string;
}

/** Pages as a PDF: fonts embedded, words as words, music as lines and curves, each part tagged with what it is. `onPage` is told how many pages are drawn, and may stop the work. */
export async function drawPdf(
  typeface: Typeface,
  pages: readonly PrintedPage[],
  { title, language }: PdfFacts,
  onPage: (done: number) => Promise<'go-on' | 'stop'>,
): Promise<Uint8Array | null> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    // None of the fonts that a reader of PDF brings along: everything is set in embedded ones.
    font: '',
    pdfVersion: '1.7',
    lang: language,
    tagged: true,
    displayTitle: true,
    info: { Title: title, Creator: 'New Thumb', Producer: 'New Thumb' },
  });
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  const ended = new Promise<void>((done) => doc.on('end', () => done()));
  for (const face of [...typeface.regular, ...typeface.bold, typeface.music])
    doc.registerFont(face.name, face.bytes as Buffer);
  const root = doc.struct('Document');
  doc.addStructure(root);
  for (const [i, page] of pages.entries()) {
    doc.addPage({ size: [page.width, page.height], margin: 0 });
    for (const part of page.parts) drawPart(doc, typeface, root, part);
    if ((await onPage(i + 1)) === 'stop') return null;
  }
  root.end();
  doc.end();
  await ended;
  return joined(chunks);
}

type Doc = PDFKit.PDFDocument;

function drawPart(
  doc: Doc,
  typeface: Typeface,
  root: PDFKit.PDFStructureElement,
  { role, alt, marks }: PagePart,
): void {
  const draw = (): void => marks.forEach((mark) => drawMark(doc, typeface, mark));
  if (role !== 'foot') {
    root.add(doc.struct(role, alt === '' ? {} : { alt }, draw));
    return;
  }
  // The foot comes again on each page: it is no part of what is read.
  doc.markContent('Artifact', { type: 'Pagination' });
  draw();
  doc.endMarkedContent();
}

function drawMark(doc: Doc, typeface: Typeface, mark: PageMark): void {
  switch (mark.kind) {
    case 'text':
      drawText(doc, typeface, mark);
      return;
    case 'line':
      doc.moveTo(mark.x1, mark.y1).lineTo(mark.x2, mark.y2).lineWidth(mark.width);
      if (mark.dash.length > 0) doc.dash(mark.dash[0] ?? 1, { space: mark.dash[1] ?? 1 });
      doc.stroke(INKS[mark.ink]).undash();
      return;
    case 'box':
      drawBox(doc, mark);
      return;
    case 'path':
      doc.save().translate(mark.x, mark.y).path(mark.d);
      if (mark.fill !== 'none') doc.fill(INKS[mark.fill]);
      else doc.lineWidth(mark.stroke).stroke(INKS.black);
      doc.restore();
      return;
    case 'music':
      drawSvg(doc, mark.svg, mark.x, mark.y, {
        width: mark.width,
        height: mark.height,
        preserveAspectRatio: 'xMinYMin meet',
        assumePt: true,
        fontCallback: (family, isBold) => fontOf(typeface, family, isBold).name,
      });
      return;
  }
}

function drawBox(doc: Doc, box: Extract<PageMark, { readonly kind: 'box' }>): void {
  const { x, y, width, height, round, fill, stroke, dash } = box;
  const shape = (): Doc => (round > 0 ? doc.roundedRect(x, y, width, height, round) : doc.rect(x, y, width, height));
  if (fill !== 'none') shape().fill(INKS[fill]);
  if (stroke === 0) return;
  shape().lineWidth(stroke);
  if (dash.length > 0) doc.dash(dash[0] ?? 1, { space: dash[1] ?? 1 });
  doc.stroke(INKS.black).undash();
}

function drawText(doc: Doc, typeface: Typeface, { x, y, text, size, weight, spacing, ink }: TextMark): void {
  let left = x;
  for (const run of runsOf(typeface, text, weight)) {
    doc.font(run.face.name).fontSize(size).fillColor(INKS[ink]);
    doc.text(run.text, left, y, { lineBreak: false, baseline: 'alphabetic', characterSpacing: spacing });
    left += run.width * size + spacing * [...run.text].length;
  }
}

/** The font of words inside a picture of the engraver: signs among them have one of their own. */
function fontOf({ regular, bold, music }: Typeface, family: string, isBold: boolean): Face {
  if (family === 'sheet-music') return music;
  const faces = isBold ? bold : regular;
  return (family === 'sheet-signs' ? faces.at(-1) : faces[0]) as Face;
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(chunks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}
