import type { KeyDown } from '@/core/views';
import type { Finger } from '@/core/score';
import type { Desk } from '@/data';
import type { ScreenKey } from '@/features/shared/keys/use-keys';
import { scrollMusic } from '../paper/bench-paper';
import { leave, PAPER_VIEWS, setZoom, zoomBy, type PaperView } from '../paper/paper-tools';
import type { BenchActions } from './use-bench-actions';
import type { DecisionActions } from '../beside/use-decide';
import { keyLetters } from '../keys/use-key-typing';
import type { Layout } from '../paper/use-layout';
import type { PaperPage } from '../paper/use-paper-page';
import { type Words } from '@/features/shared/words/use-words';
import { BENCH_KEYS } from '../keys/key-names';

/** What the keys of the Bench work on. */
export interface BenchKeysOf extends Pick<BenchActions, 'stepKey' | 'walk' | 'save'> {
  /** The note that is taken up when a key is pressed, whether or not the screen has caught up. */
  readonly noteNow: () => KeyDown | null;
  readonly actions: DecisionActions;
  readonly stepStage: (by: number) => void;
  readonly toggleRail: () => void;
  readonly typeKey: (typed: string) => void;
  readonly stepNote: (by: number) => void;
  readonly stepHandNote: (by: number) => void;
  readonly togglePlay: () => void;
  readonly onEnter: () => void;
  readonly onSurvey: () => void;
  readonly onStand: () => void;
  readonly onPractise: () => void;
  readonly onEscape: () => void;
  readonly paper: Pick<PaperPage, 'view' | 'onView' | 'zoom'>;
  readonly layout: Pick<Layout, 'beside' | 'nextKeyboard'>;
  readonly desk: Desk;
}

/** The keys of the Bench: all that a teacher does there, without a mouse. */
// eslint-disable-next-line max-lines-per-function -- one list: what each key does
export function benchKeys(
  w: Words,
  {
    noteNow,
    actions,
    stepKey,
    stepStage,
    toggleRail,
    typeKey,
    walk,
    stepNote,
    stepHandNote,
    togglePlay,
    save,
    onEnter,
    onSurvey,
    onStand,
    onPractise,
    onEscape,
    paper: { view, onView, zoom },
    layout: { beside, nextKeyboard },
    desk,
  }: BenchKeysOf,
): readonly ScreenKey[] {
  const atNote = (action: (taken: KeyDown) => void): void => {
    const note = noteNow();
    if (note) action(note);
  };
  return [
    { key: '[', does: w.shared.keyBeforeThisOneIn, act: () => stepKey(-1) },
    { key: ']', does: w.shared.nextKeyInStrip, act: () => stepKey(1) },
    { key: 'C  F#  Eb …', does: w.shared.toKeyOfThatName, act: typeKey, anyOf: keyLetters(w.wording) },
    { key: BENCH_KEYS.stages, does: w.stages.showRail, act: toggleRail },
    { key: BENCH_KEYS.stageBefore, does: w.stages.stageBefore, act: () => stepStage(-1) },
    { key: BENCH_KEYS.nextStage, does: w.stages.nextStage, act: () => stepStage(1) },
    { key: 'ArrowLeft', does: w.bench.momentBefore, act: () => walk(-1) },
    { key: 'ArrowRight', does: w.bench.nextMoment, act: () => walk(1) },
    { key: 'ArrowUp', does: w.bench.takeUpNoteAbove, act: () => stepNote(1) },
    { key: 'ArrowDown', does: w.bench.takeUpNoteBelow, act: () => stepNote(-1) },
    {
      key: '1 … 5',
      does: w.bench.thisFingerForNoteThat,
      anyOf: ['1', '2', '3', '4', '5'],
      act: (digit) =>
        atNote(({ noteId, name }) =>
          actions.fingers([{ note: noteId, finger: Number(digit) as Finger }], 'here', w.bench.fingerOn(digit, name)),
        ),
    },
    {
      key: '0',
      does: w.bench.giveItsFingerBackTo,
      act: () => atNote(({ noteId, name }) => actions.letGo([noteId], w.shared.fingerOnGivenBack(name))),
    },
    {
      key: 'r',
      does: w.bench.ringNoteThatIsTaken,
      act: () => atNote(({ noteId, name }) => actions.mark('ring', [noteId], '', w.shared.ringAt(name))),
    },
    { key: 'n', does: w.bench.nextHandNote, act: () => stepHandNote(1) },
    { key: 'N', does: w.bench.handNoteBefore, act: () => stepHandNote(-1) },
    { key: BENCH_KEYS.play, does: w.bench.playFromSelected, act: togglePlay },
    { key: 'v', does: w.bench.bothVersionsNewOneAlone, act: () => onView(viewAfter(view)) },
    {
      key: 't',
      does: w.bench.handTracksOnOrOff,
      act: () => leave({ tracks: desk.tracks === 'shown' ? 'hidden' : 'shown' }),
    },
    { key: BENCH_KEYS.larger, does: w.shared.larger, act: () => setZoom(zoomBy(zoom, 1)) },
    { key: BENCH_KEYS.smaller, does: w.shared.smaller, act: () => setZoom(zoomBy(zoom, -1)) },
    { key: BENCH_KEYS.fit, does: w.bench.asLargeAsOneWhole, act: () => leave({ sizing: 'fit' }) },
    { key: BENCH_KEYS.keyboard, does: w.bench.keyboardWholeAsStripOr, act: nextKeyboard },
    {
      key: BENCH_KEYS.beside,
      does: w.bench.foldPanelBesidePaperAway,
      act: () => beside.onFold(beside.isOpen ? 'folded' : 'open'),
    },
    {
      key: BENCH_KEYS.tools,
      does: w.bench.toolsOfPageKey,
      act: () => leave({ tools: desk.tools === 'open' ? 'folded' : 'open' }),
    },
    { key: 'PageDown', does: w.bench.nextLineOfMusic, act: () => scrollMusic(1) },
    { key: 'PageUp', does: w.bench.lineOfMusicBefore, act: () => scrollMusic(-1) },
    { key: BENCH_KEYS.survey, does: w.bench.surveyOfAllKeys, act: onSurvey },
    { key: BENCH_KEYS.stand, does: w.bench.ontoMusicStandNewKey, act: onStand },
    { key: BENCH_KEYS.practise, does: w.practice.pupilsPageTitle, act: onPractise },
    { key: BENCH_KEYS.enter, does: w.bench.changeNotesKey, act: onEnter },
    { key: BENCH_KEYS.save, does: w.bench.saveAsMusicXmlKey, act: () => save('musicxml') },
    { key: 'Escape', does: w.bench.chooseNoHandNote, act: onEscape },
  ];
}

function viewAfter(view: PaperView): PaperView {
  return PAPER_VIEWS[(PAPER_VIEWS.indexOf(view) + 1) % PAPER_VIEWS.length] ?? 'both';
}
