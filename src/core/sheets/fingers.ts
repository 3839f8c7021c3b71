import { shortened, type Language } from '../explain';
import { fingerPage } from '../views';
import { cautionBlocks, inLanguage, titleBlock, type SheetFor, type SheetPiece } from './handout';
import type { Sheet } from './sheet';

/** A piece without a staff: finger numbers, with the words under them, beside the keys on which the hands begin. */
export function fingerSheet(says: Language, of: SheetPiece, to: SheetFor): Sheet {
  return {
    title: shortened(of.piece.score.title),
    ...inLanguage(says),
    foot: to.foot,
    blocks: [
      titleBlock(says, of, to),
      { kind: 'text', text: says.sheet.fingersUnder, look: 'small' },
      {
        kind: 'fingers',
        page: fingerPage(says, of.piece, of.after),
        handNames: { right: says.sheet.handName('right'), left: says.sheet.handName('left') },
      },
      ...cautionBlocks(says, of.after),
    ],
  };
}
