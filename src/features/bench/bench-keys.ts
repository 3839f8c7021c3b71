import type { KeyDown } from '@/core/views';
import type { Finger } from '@/core/score';
import type { Desk } from '@/data';
import type { ScreenKey } from '@/features/shared/use-keys';
import { scrollMusic } from './bench-paper';
import { leave, PAPER_VIEWS, setZoom, zoomBy, type PaperView } from './paper-tools';
import type { BenchActions } from './use-bench-actions';
import type { DecisionActions } from './use-decide';
import { KEY_LETTERS } from './use-key-typing';
import type { Layout } from './use-layout';
import type { PaperPage } from './use-paper-page';

/** What the keys of the Bench work on. */
export interface BenchKeysOf extends Pick<BenchActions, 'stepKey' | 'walk' | 'save'> {
  /** The note that is taken up when a key is pressed, whether or not the screen has caught up. */
  readonly noteNow: () => KeyDown | null;
  readonly actions: DecisionActions;
  readonly typeKey: (typed: string) => void;
  readonly stepNote: (by: number) => void;
  readonly stepHandNote: (by: number) => void;
  readonly togglePlay: () => void;
  readonly onEnter: () => void;
  readonly onSurvey: () => void;
  readonly onStand: () => void;
  readonly onEscape: () => void;
  readonly paper: Pick<PaperPage, 'view' | 'onView' | 'zoom'>;
  readonly layout: Pick<Layout, 'beside' | 'nextKeyboard'>;
  readonly desk: Desk;
}

/** The keys of the Bench: all that a teacher does there, without a mouse. */
// eslint-disable-next-line max-lines-per-function -- one list: what each key does
export function benchKeys({
  noteNow,
  actions,
  stepKey,
  typeKey,
  walk,
  stepNote,
  stepHandNote,
  togglePlay,
  save,
  onEnter,
  onSurvey,
  onStand,
  onEscape,
  paper: { view, onView, zoom },
  layout: { beside, nextKeyboard },
  desk,
}: BenchKeysOf): readonly ScreenKey[] {
  const atNote = (action: (taken: KeyDown) => void): void => {
    const note = noteNow();
    if (note) action(note);
  };
  return [
    { key: '[', does: 'the key before this one in the strip', act: () => stepKey(-1) },
    { key: ']', does: 'the next key in the strip', act: () => stepKey(1) },
    { key: 'C  F#  Eb …', does: 'to the key of that name', act: typeKey, anyOf: KEY_LETTERS },
    { key: 'ArrowLeft', does: 'the moment before', act: () => walk(-1) },
    { key: 'ArrowRight', does: 'the next moment', act: () => walk(1) },
    { key: 'ArrowUp', does: 'take up the note above', act: () => stepNote(1) },
    { key: 'ArrowDown', does: 'take up the note below', act: () => stepNote(-1) },
    {
      key: '1 … 5',
      does: 'this finger for the note that is taken up',
      anyOf: ['1', '2', '3', '4', '5'],
      act: (digit) =>
        atNote(({ noteId, name }) =>
          actions.fingers([{ note: noteId, finger: Number(digit) as Finger }], 'here', `finger ${digit} on ${name}`),
        ),
    },
    {
      key: '0',
      does: 'give its finger back to the plan',
      act: () => atNote(({ noteId, name }) => actions.letGo([noteId], `finger on ${name} given back`)),
    },
    {
      key: 'r',
      does: 'ring the note that is taken up',
      act: () => atNote(({ noteId, name }) => actions.mark('ring', [noteId], '', `ring at ${name}`)),
    },
    { key: 'n', does: 'the next hand note', act: () => stepHandNote(1) },
    { key: 'N', does: 'the hand note before', act: () => stepHandNote(-1) },
    { key: 'p', does: 'play from the selected bar, or stop', act: togglePlay },
    { key: 'v', does: 'both versions, the new one alone, or finger numbers', act: () => onView(viewAfter(view)) },
    {
      key: 't',
      does: 'hand tracks on or off',
      act: () => leave({ tracks: desk.tracks === 'shown' ? 'hidden' : 'shown' }),
    },
    { key: '+', does: 'larger', act: () => setZoom(zoomBy(zoom, 1)) },
    { key: '-', does: 'smaller', act: () => setZoom(zoomBy(zoom, -1)) },
    { key: 'z', does: 'as large as one whole pair allows', act: () => leave({ sizing: 'fit' }) },
    { key: 'k', does: 'the keyboard whole, as a strip, or put away', act: nextKeyboard },
    {
      key: 'h',
      does: 'fold the panel beside the paper away, or open it',
      act: () => beside.onFold(beside.isOpen ? 'folded' : 'open'),
    },
    {
      key: 'o',
      does: 'tools of the page',
      act: () => leave({ tools: desk.tools === 'open' ? 'folded' : 'open' }),
    },
    { key: 'PageDown', does: 'the next line of music', act: () => scrollMusic(1) },
    { key: 'PageUp', does: 'the line of music before', act: () => scrollMusic(-1) },
    { key: 'y', does: 'survey of all keys', act: onSurvey },
    { key: 'm', does: 'onto the music stand: the new key alone, large', act: onStand },
    { key: 'w', does: 'change notes, or enter more', act: onEnter },
    { key: 's', does: 'save as MusicXML', act: () => save('musicxml') },
    { key: 'Escape', does: 'choose no hand note', act: onEscape },
  ];
}

function viewAfter(view: PaperView): PaperView {
  return PAPER_VIEWS[(PAPER_VIEWS.indexOf(view) + 1) % PAPER_VIEWS.length] ?? 'both';
}
