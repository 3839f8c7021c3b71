import { ownAddress } from '@/features/shared/address/own-address';
import type { PageMark, PrintedPage } from '@/print/page';
import { toBase64 } from '@/features/shared/files/base64';

type Music = Extract<PageMark, { readonly kind: 'music' }>;

/** Between two systems, in points. */
const BETWEEN = 12;
/** Pixels of a PNG to a point: fine enough to be printed. */
const FINE = 4;

function musicOf(pages: readonly PrintedPage[]): readonly Music[] {
  return pages.flatMap(({ parts }) => parts.flatMap(({ marks }) => marks.filter((mark) => mark.kind === 'music')));
}

/** The music of the pages as one picture, its systems one under the other, with the fonts of its words inside. */
export async function musicPicture(pages: readonly PrintedPage[]): Promise<string> {
  const systems = musicOf(pages);
  const fonts = await Promise.all(
    [
      ['sheet-sans', 400, 'sans-400.ttf'],
      ['sheet-sans', 700, 'sans-700.ttf'],
      ['sheet-music', 400, 'music.ttf'],
    ].map(async ([family, weight, file]) => {
      const bytes = new Uint8Array(await (await fetch(ownAddress(`/print/${file}`))).arrayBuffer());
      return `@font-face{font-family:${family};font-weight:${weight};src:url(data:font/ttf;base64,${toBase64(bytes)})}`;
    }),
  );
  let top = 0;
  const placed = systems.map(({ svg, width, height }) => {
    const y = top;
    top += height + BETWEEN;
    return svg.replace('<svg', `<svg x="0" y="${y}" width="${width}" height="${height}"`);
  });
  const width = Math.max(1, ...systems.map((system) => system.width));
  const height = Math.max(1, top - BETWEEN);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><style>${fonts.join('')}</style><rect width="100%" height="100%" fill="#fff"/>${placed.join('')}</svg>`;
}

/** The same as an image. */
export async function musicPng(pages: readonly PrintedPage[]): Promise<Uint8Array> {
  const address = URL.createObjectURL(new Blob([await musicPicture(pages)], { type: 'image/svg+xml' }));
  const image = new Image();
  image.src = address;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(image.naturalWidth * FINE);
  canvas.height = Math.round(image.naturalHeight * FINE);
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  URL.revokeObjectURL(address);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  return new Uint8Array(blob ? await blob.arrayBuffer() : new ArrayBuffer(0));
}
