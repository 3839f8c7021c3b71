import { useCallback } from 'react';
import { parseKey } from '@/core/pitch';
import type { BenchView } from '@/core/views';
import { change, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { go, type BenchAddress } from '../bench-address';
import { ChordsPanel } from './chords-panel';
import { GridChoice } from '../paper/grid-choice';
import { HandNotes } from './hand-notes';
import { KeyCardPanel } from './key-card-panel';
import { leave } from '../paper/paper-tools';
import { NotePanel } from './note-panel';
import type { PaperMark } from '../paper/paper-mark';
import { PartnerPanel } from './partner-panel';
import type { Screen } from '@/features/shared/parts/use-screen';
import { SidePanels } from './side-panels';
import type { BesidePanel } from '../paper/use-layout';
import { StagesPanel } from '../stages/stages-panel';
import { respelling, type BenchAnswers } from '../use-bench';
import type { DecisionActions } from './use-decide';
import type { TakenUp } from './use-taken-up';
import { useWords } from '@/features/shared/words/use-words';

interface BenchSideProps {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord | null;
  readonly settings: Settings;
  readonly address: BenchAddress;
  readonly answers: BenchAnswers;
  readonly later: BenchView | null;
  readonly taken: TakenUp;
  readonly marks: readonly PaperMark[];
  readonly actions: DecisionActions;
  readonly beside: BesidePanel;
  readonly screen: Screen;
}

/** What stands beside the paper: hand notes, the note that is taken up, the key, the chords, who plays along. */
export function BenchSide({
  piece,
  pupil,
  settings,
  address,
  answers,
  later,
  taken,
  marks,
  actions,
  beside,
  screen,
}: BenchSideProps) {
  const { value: view } = answers.view;
  const shown = view ? parseKey(view.toText, 'major') : undefined;
  const respell = useRespell(piece, pupil, address.key, view?.toText ?? '');
  return (
    <SidePanels
      chosen={taken.panel}
      isOpen={beside.isOpen}
      screen={screen}
      onChoose={(panel) => {
        if (panel === 'stages') leave({ rail: 'open' });
        taken.onPanel(panel);
      }}
      onFold={beside.onFold}
      noteCount={later?.handNotes.filter(({ aside }) => aside === null).length ?? 0}
    >
      {{
        notes: later ? (
          <>
            <GridChoice piece={piece} />
            <HandNotes
              view={later}
              settings={settings}
              aboutFile={piece.remarks}
              chosen={taken.handNote?.name ?? null}
              onChoose={taken.choose}
              actions={actions}
              onTakeUp={taken.takeUp}
            />
          </>
        ) : null,
        note: later ? (
          <NotePanel
            view={later}
            moment={taken.moment}
            noteId={taken.note?.noteId ?? null}
            answers={answers}
            marks={marks}
            actions={actions}
            onTakeUp={taken.takeUp}
            onRespell={respell}
          />
        ) : null,
        stages: (
          <StagesPanel
            piece={piece}
            pupil={pupil}
            settings={settings}
            answers={answers}
            shown={address.stage}
            keyShown={view?.toText ?? ''}
          />
        ),
        key: shown ? <KeyCardPanel shown={shown} /> : null,
        chords: <ChordsPanel answers={answers} subject={piece.id} onNote={taken.takeUp} />,
        partner: <PartnerPanel source={answers.source} subject={piece.id} shown={address.key ?? view?.toText ?? ''} />,
      }}
    </SidePanels>
  );
}

/** Puts a note under the other letter of its key, or back. */
function useRespell(piece: PieceRecord, pupil: PupilRecord | null, key: string | null, shownKey: string) {
  const w = useWords();
  return useCallback(
    (noteId: string, from: string, to: string): void => {
      if (key === null) go({ key: shownKey });
      const entry = respelling(key ?? shownKey, noteId, pupil);
      void change(
        { kind: 'piece.respell', id: piece.id, entry, as: piece.respelled.includes(entry) ? 'own' : 'other' },
        w.bench.writtenAs(from, to),
      );
    },
    [w, piece, pupil, key, shownKey],
  );
}
