import type { FileFormat } from '@/core/base';
import { remarkBar, type Language } from '@/core/explain';
import type { OpenedPiece } from '@/core/piece';
import { writeMusicXml } from '@/core/write';
import type { BroughtPiece } from '@/contract/core-questions';

/** A piece that was read from a file, as the studio keeps it, with what was remarked while it was read. */
export function broughtPiece(
  says: Language,
  { score, remarks, carried }: OpenedPiece,
  format: FileFormat | null,
): BroughtPiece {
  return {
    musicXml: writeMusicXml(score),
    title: score.title,
    format,
    beside: carried,
    remarks: remarks.map((remark) => {
      const bar = remarkBar(remark);
      const message = says.remarkWords(remark);
      return bar === null ? { message } : { message, bar };
    }),
  };
}
