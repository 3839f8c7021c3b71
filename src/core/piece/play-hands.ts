/* eslint max-params: ["error", 5] -- what is kept for the last answer is known again by each of its parts */
import { lastingMemo, memo, memoLast, memoOf } from '../base';
import { demandsFor, passageOf, type Demands, type Passage, type Player } from '../fingering';
import type { FlagDetail, PlayedHand } from '../flags';
import { baselineOf, keepHand, studyHand, type HandBaseline, type HandStudy, type StudyOptions } from '../forced';
import { struckNotes, type Finger, type Hand, type HandNote, type NoteId, type Part } from '../score';
import { signatureLine } from '../notation';
import type { Key } from '../pitch';

/** What the planner needs to know of a piece: its pupil's notes where they stand. */
interface PlannedPiece {
  readonly part: Part;
  readonly hands: readonly Hand[];
  readonly notes: readonly HandNote[];
  readonly score: { readonly ticksPerQuarter: number };
  readonly key: { readonly key: Key };
}

/** How the hands are to be played. `as-written` proposes nothing; `decided` are fingers that the teacher decided on. */
export interface PlayOptions {
  readonly player: Player;
  readonly showing: 'plan' | 'keep' | 'as-written';
  readonly detail: FlagDetail;
  readonly decided: ReadonlyMap<NoteId, Finger>;
}

/** Plans the hands of a piece for the keys of some key. `notes` are the piece's in that key. */
export function playHands(
  piece: PlannedPiece,
  notes: readonly HandNote[],
  { player, showing, detail, decided }: PlayOptions,
): readonly PlayedHand[] {
  const byId = new Map(notes.map((note) => [note.id, note]));
  return baselinesOf(piece, player).map((baseline) => {
    const own = baseline.passage.notes.map(({ note }) => byId.get(note.id) ?? note);
    const midis = own.map(({ midi }) => midi);
    const study =
      showing === 'as-written'
        ? keepHand(baseline, midis)
        : studyOf(baseline, midis, {
            asked: detail === 'full' ? 'cause' : 'change',
            decided: own.map(({ id }) => decided.get(id) ?? null),
          });
    return { study, played: showing === 'plan' ? study.plan : study.keptPlan, notes: own };
  });
}

/** So many keys of a hand are kept in mind. */
const KEPT_STUDIES = 16;

/** The studies of each hand: C♯ and D♭ are the same keys, and are studied once. */
const studiesOf = memoOf((_: HandBaseline) => memo<HandStudy>(KEPT_STUDIES));

function studyOf(
  baseline: HandBaseline,
  midis: readonly number[],
  { asked, decided }: Pick<StudyOptions, 'asked' | 'decided'>,
): HandStudy {
  return studiesOf(baseline).get(`${asked}/${midis.join()}/${decided.join()}`, () =>
    studyHand(baseline, midis, { asked, decided }),
  );
}

/** So many players are kept in mind for a piece. */
const KEPT_PLAYERS = 40;

const baselinesByPlayer = memoOf((_: PlannedPiece['notes']) => memo<readonly HandBaseline[]>(KEPT_PLAYERS));

/** What is found out about a piece for a player, once for all keys. */
export function baselinesOf(piece: PlannedPiece, player: Player): readonly HandBaseline[] {
  const name = JSON.stringify(player);
  return baselinesByPlayer(piece.notes).get(name, () =>
    passagesOf(piece).map((passage) =>
      baselineFor(passage, `${piece.score.ticksPerQuarter}/${name}`, demandsFor(player)),
    ),
  );
}

/** So many hands are kept in mind by all that their baselines rest on: after an edit in one hand the other's is found again. */
const baselinesByContent = lastingMemo<HandBaseline>(48);

function baselineFor(passage: Passage, circumstances: string, demands: Demands): HandBaseline {
  let content = '';
  for (const { note, letter, altered, end, printed } of passage.notes)
    content += `${note.id},${letter},${altered},${note.barIndex},${note.onset},${end},${note.midi},${printed ?? ''},${note.slurBegins ? 'b' : ''}${note.slurEnds ? 's' : ''}${note.detached ? 'd' : ''}${note.isGrace ? 'g' : ''};`;
  return baselinesByContent.get(`${circumstances}/${passage.hand}/${passage.tonic}/${content}`, () =>
    baselineOf(passage, demands),
  );
}

function passagesOf({ part, hands, notes, score, key }: PlannedPiece): readonly Passage[] {
  return passagesOfNotes(notes, part, hands, score, key.key);
}

const passagesOfNotes = memoLast(
  (
    notes: PlannedPiece['notes'],
    part: PlannedPiece['part'],
    hands: PlannedPiece['hands'],
    score: PlannedPiece['score'],
    { tonic }: Key,
  ): readonly Passage[] => {
    const struck = struckNotes(notes);
    const signatures = signatureLine(part);
    return hands
      .map((hand) => ({ hand, own: struck.filter((note) => note.hand === hand) }))
      .filter(({ own }) => own.length > 0)
      .map(({ hand, own }) =>
        passageOf(hand, own, score.ticksPerQuarter, {
          tonic: tonic.step,
          alterOf: (note, step) => signatures.alterAt(note.barIndex, note.item.onset, note.item.staff, step),
        }),
      );
  },
);
