import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';

/** A font of a PDF as poppler lists it. */
export interface PdfFont {
  readonly name: string;
  readonly isEmbedded: boolean;
  readonly isSubset: boolean;
}

/** What poppler, which is not ours, says of a PDF. */
export interface ReadPdf {
  readonly facts: Readonly<Record<string, string>>;
  readonly fonts: readonly PdfFont[];
  /** The words of each page, in the order in which they are read. */
  readonly texts: readonly string[];
  /** For each page the box of everything that is not white, in points from the upper left corner; null for an empty page. */
  readonly ink: readonly (InkBox | null)[];
  /** What is drawn, as the document says it. */
  readonly drawn: string;
}

export interface InkBox {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Dots to an inch of the pictures in which ink is looked for. */
const DPI = 48;

export function readPdf(bytes: Uint8Array): ReadPdf {
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-pdf-'));
  const file = join(folder, 'sheet.pdf');
  try {
    writeFileSync(file, bytes);
    const facts = Object.fromEntries(
      poppler('pdfinfo', [file])
        .split('\n')
        .flatMap((line) => {
          const [, name, value] = /^([^:]+):\s*(.*)$/.exec(line) ?? [];
          return name === undefined ? [] : [[name, value ?? '']];
        }),
    );
    const fonts = poppler('pdffonts', [file]).trim().split('\n').slice(2).map(fontOf);
    const texts = poppler('pdftotext', [file, '-']).split('\f').slice(0, Number(facts['Pages']));
    poppler('pdftoppm', ['-gray', '-r', String(DPI), file, join(folder, 'page')]);
    const pictures = Number(facts['Pages']);
    const digits = String(pictures).length;
    const ink = Array.from({ length: pictures }, (_, i) =>
      inkOf(readFileSync(join(folder, `page-${String(i + 1).padStart(digits, '0')}.pgm`))),
    );
    return { facts, fonts, texts, ink, drawn: streamsOf(Buffer.from(bytes)) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function poppler(command: string, args: readonly string[]): string {
  const { status, stdout, stderr, error } = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64e6 });
  if (error || status !== 0) throw new Error(`${command}: ${error?.message ?? stderr}`);
  return stdout;
}

/** A line of `pdffonts`: name, type, encoding, emb, sub, uni, object. */
function fontOf(line: string): PdfFont {
  const [name = ''] = line.split(/\s+/);
  const [, embedded, subset] = /\s(yes|no)\s+(yes|no)\s+(?:yes|no)\s+\d+\s+\d+\s*$/.exec(line) ?? [];
  return { name, isEmbedded: embedded === 'yes', isSubset: subset === 'yes' };
}

/** Darker than this is ink, of 255. */
const WHITE = 245;

function inkOf(pgm: Buffer): InkBox | null {
  const [head, width, height] = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString('latin1')) ?? [];
  if (head === undefined) throw new Error('no picture');
  const pixels = pgm.subarray(head.length);
  const [across, down] = [Number(width), Number(height)];
  const box = { left: across, top: down, right: -1, bottom: -1 };
  for (let y = 0; y < down; y += 1)
    for (let x = 0; x < across; x += 1)
      if ((pixels[y * across + x] ?? 255) < WHITE) {
        box.left = Math.min(box.left, x);
        box.right = Math.max(box.right, x + 1);
        box.top = Math.min(box.top, y);
        box.bottom = Math.max(box.bottom, y + 1);
      }
  const points = (dots: number): number => (dots * 72) / DPI;
  return box.right < 0
    ? null
    : { left: points(box.left), right: points(box.right), top: points(box.top), bottom: points(box.bottom) };
}

/** Everything that is packed in a PDF and can be unpacked: its drawing, among others. */
function streamsOf(pdf: Buffer): string {
  const streams: string[] = [];
  for (let from = pdf.indexOf('stream\n'); from >= 0;) {
    const end = pdf.indexOf('endstream', from);
    try {
      streams.push(inflateSync(pdf.subarray(from + 'stream\n'.length, end)).toString('latin1'));
    } catch {
      // A stream that is packed otherwise, as a font may be, draws nothing.
    }
    from = pdf.indexOf('stream\n', end + 'endstream'.length);
  }
  return streams.join('\n');
}

/** How often each sign of the engraver stands in some pictures, by what its outline begins with. */
export function signsIn(svgs: readonly string[]): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  for (const svg of svgs)
    for (const [, outline = ''] of withoutHidden(svg).matchAll(/class="sign"[^>]* d="([^"]+)"/g))
      found.set(outlineBegin(outline), (found.get(outlineBegin(outline)) ?? 0) + 1);
  return found;
}

/** A picture without the groups that are not seen: notes that only keep their room. */
function withoutHidden(svg: string): string {
  const parts = svg.split(/(<g\b[^>]*>|<\/g>)/);
  let hidden = 0;
  return parts
    .filter((part) => {
      const was = hidden;
      if (part === '</g>') hidden = Math.max(0, hidden - 1);
      else if (part.startsWith('<g') && !part.endsWith('/>') && (hidden > 0 || part.includes('visibility="hidden"')))
        hidden += 1;
      return was === 0 && hidden === 0;
    })
    .join('');
}

/** The first point and curve of an outline as a PDF draws them: `97 -125 m 43 -125 0 -94 0 -42 c`. */
function outlineBegin(outline: string): string {
  const [, x = '0', y = '0', kind = '', rest = ''] =
    /^M\s*(-?[\d.]+)[ ,]*(-?[\d.]+)\s*([a-zA-Z])([^a-zA-Z]*)/.exec(outline) ?? [];
  const from = [Number(x), Number(y)];
  const begin = `${x} ${y} m`;
  if (kind !== 'c') return begin;
  const numbers = (rest.match(/-?[\d.]+/g) ?? []).slice(0, 6).map((one, i) => Number(one) + (from[i % 2] ?? 0));
  return `${begin}\n${numbers.join(' ')} c`;
}

export function countIn(text: string, part: string): number {
  return text.split(`\n${part}`).length - 1;
}
