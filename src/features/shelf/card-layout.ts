import type { EngraveLayout } from '@/contract/engraving-questions';

/** How the opening on a card is engraved: one long line, in small print. */
export const CARD_LAYOUT: EngraveLayout = { widthPx: 380, zoom: 34, breaks: 'none' };

/** What keeps the notes of one card apart from those of the others. */
export function cardPrefix(piece: string): string {
  return `card-${piece}-`;
}
