import type { Language } from '../explain';
import type { CardKind } from '../paper';
import { parsePitch, type Key, type Pitch } from '../pitch';
import { keyCard } from '../reference';
import type { Hand } from '../score';
import { notesPage } from '../views';
import { inLanguage } from './handout';
import { fivePlace } from './key-sheets';
import type { Sheet, SheetCard } from './sheet';

/** The guide notes: the Cs, and the Gs and Fs of the clefs. Common practice. */
const GUIDE_NOTES = ['C2', 'F3', 'C3', 'C4', 'G4', 'C5', 'C6'];

/** Flash cards of some kinds about some keys, to be cut out: the answer lies behind each question. */
export function cardSheet(says: Language, kinds: readonly CardKind[], keys: readonly Key[], foot: string): Sheet {
  const cards = kinds.flatMap((kind) => cardsOf(says, kind, keys));
  const title = says.sheet.cardsTitle;
  return { title, ...inLanguage(says), foot, blocks: [{ kind: 'cards', cards }] };
}

function cardsOf(says: Language, kind: CardKind, keys: readonly Key[]): readonly SheetCard[] {
  switch (kind) {
    case 'positions':
      return keys.flatMap((key) => (['right', 'left'] as const).map((hand) => positionCard(says, key, hand)));
    case 'keys':
      return keys.map((key) => keySide(says, key));
    case 'notes':
      return GUIDE_NOTES.flatMap((text) => {
        const pitch = parsePitch(text);
        return pitch ? [noteCard(says, pitch)] : [];
      });
  }
}

function positionCard(says: Language, key: Key, hand: Hand): SheetCard {
  const place = { ...fivePlace(says, key, hand), words: says.sheet.card.whichPlace };
  const names = keyCard(key).pattern.map(says.place).join(' ');
  return {
    front: { kind: 'place', place },
    back: { kind: 'words', large: says.key(key), small: `${says.sheet.handName(hand)}: ${names}` },
  };
}

function keySide(says: Language, key: Key): SheetCard {
  const { signs, relative } = keyCard(key);
  const signature = says.sheet.card.signs(says.signatureWords(signs, key));
  return {
    front: { kind: 'words', large: signature, small: says.sheet.card.whichKey },
    back: {
      kind: 'words',
      large: says.key(key),
      small: relative ? says.sheet.relative(says.key(relative)) : '',
    },
  };
}

const PLAIN: Key = { tonic: { step: 0, alter: 0 }, mode: 'major' };

function noteCard(says: Language, pitch: Pitch): SheetCard {
  return {
    front: { kind: 'music', page: notesPage(PLAIN, [pitch]).page, label: says.sheet.card.whichNote },
    back: { kind: 'words', large: says.place(pitch), small: says.pitch(pitch) },
  };
}
