import type { Wording } from '@/core/explain';
import type { SheetRequest } from '@/core/sheets';
import { decidedFor, type Desk, type PieceRecord, type PupilRecord, type Settings, type SheetChoice } from '@/data';
import { keptFor } from '@/features/shared/pieces/kept-steps';

/** What a sheet is asked with beside its piece: the teacher's choice, the marks and labels of the Bench, and the steps for this pupil in this key. */
export function requestOf(
  sheet: SheetChoice,
  {
    piece,
    pupil,
    key,
    desk,
    settings,
    wording,
  }: {
    readonly piece: PieceRecord | null;
    readonly pupil: PupilRecord | null;
    readonly key: string | null;
    readonly desk: Desk;
    readonly settings: Settings;
    readonly wording: Wording;
  },
): SheetRequest {
  const marks = piece ? decidedFor(piece, pupil?.id ?? null).marks : [];
  return {
    paper: paperOf(sheet),
    pupil: pupil?.name ?? null,
    foot: footOf(settings),
    labels: desk.labels,
    marks: marks
      .filter((mark) => mark.key === null || mark.key === key)
      .map(({ kind, note, text }) => ({ kind, note, text })),
    reminders: settings.reminders,
    steps: {
      kept: piece ? (keptFor(piece, pupil, key)?.steps ?? null) : null,
      ownStages: (piece?.ownStages ?? []).map(({ id, title }) => ({ id, title })),
    },
    handout: { parts: sheet.order.filter((part) => !sheet.left.includes(part)), tracks: sheet.tracks },
    rote: { voice: sheet.voice, names: sheet.naming === 'none' ? 'none' : wording.names },
    blank: { leave: sheet.leave, answers: sheet.answers },
    cards: sheet.cards,
    drill: { kind: 'five-fingers', rhythm: 'quarters', hands: 'both' },
  };
}

export function paperOf({ paper, turn, size, print }: SheetChoice): SheetRequest['paper'] {
  return { paper, turn, size, print };
}

export function footOf({ studioName, footLine }: Pick<Settings, 'studioName' | 'footLine'>): string {
  return [studioName, footLine].filter((said) => said.trim() !== '').join(' · ');
}
