import { shortened } from '@/core/explain';
import type { PieceRecord } from '@/data';

/** The title as the file has it, for a list that need not wait for the core; the file's name where it has none. One that is
 * longer than anybody reads is cut. */
export function pieceTitle({ musicXml, fileName }: Pick<PieceRecord, 'musicXml' | 'fileName'>): string {
  const found = /<work-title>([^<]*)<\/work-title>|<movement-title>([^<]*)<\/movement-title>/.exec(musicXml);
  const title = (found?.[1] ?? found?.[2] ?? '')
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .replaceAll('&quot;', '"')
    .replaceAll('&apos;', '’')
    .replaceAll('&amp;', '&');
  return shortened(title || fileName);
}
