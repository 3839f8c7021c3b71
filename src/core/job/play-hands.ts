import { demandsFor, passageOf, type Demands, type Passage, type Player } from '../finger';
import type { FlagDetail, PlayedHand } from '../flag';
import { groundOf, keepHand, studyHand, type HandGround, type HandStudy, type StudyWish } from '../force';
import { struckNotes, type Finger, type Hand, type HandNote, type NoteId, type Part } from '../score';
import { signatureLine } from '../transpose';

/** What the planner needs to know of a piece: its pupil's notes where they stand. */
interface PlannedPiece {
  readonly part: Part;
  readonly hands: readonly Hand[];
  readonly notes: readonly HandNote[];
  readonly score: { readonly ticksPerQuarter: number };
}

/** How the hands are to be played. `as-written` proposes nothing; `decided` are fingers that the teacher decided on. */
export interface PlayWish {
  readonly player: Player;
  readonly showing: 'plan' | 'keep' | 'as-written';
  readonly detail: FlagDetail;
  readonly decided: ReadonlyMap<NoteId, Finger>;
}

/** Plans the hands of a piece for the keys of some key. `notes` are the piece's in that key. */
export function playHands(piece: PlannedPiece, notes: readonly HandNote[], { player, showing, detail, decided }: PlayWish): readonly PlayedHand[] {
  const byId = new Map(notes.map((note) => [note.id, note]));
  return groundsOf(piece, player).map((ground) => {
    const own = ground.passage.notes.map(({ note }) => byId.get(note.id) ?? note);
    const midis = own.map(({ midi }) => midi);
    const study = showing === 'as-written' ? keepHand(ground, midis) : studyOf(ground, midis, detail === 'full' ? 'cause' : 'change', own.map(({ id }) => decided.get(id) ?? null));
    return { study, played: showing === 'plan' ? study.plan : study.keptPlan, notes: own };
  });
}

/** The last studies of each hand: C♯ and D♭ are the same keys, and are studied once. It is a memory only: the same comes out each time. */
const studies = new WeakMap<HandGround, Map<string, HandStudy>>();

/** So many keys of a hand are kept in mind; then the oldest is forgotten. */
const KEPT_STUDIES = 16;

function studyOf(ground: HandGround, midis: readonly number[], asked: StudyWish['asked'], decided: StudyWish['decided']): HandStudy {
  const known = studies.get(ground) ?? new Map<string, HandStudy>();
  studies.set(ground, known);
  const name = `${asked}/${midis.join()}/${decided.join()}`;
  const study = known.get(name) ?? studyHand(ground, midis, { asked, decided });
  known.set(name, study);
  const oldest = known.keys().next().value;
  if (known.size > KEPT_STUDIES && oldest !== undefined) known.delete(oldest);
  return study;
}

/** What was found out about a piece for a player, once for all keys. It is a memory only: the same comes out each time. */
const grounds = new WeakMap<PlannedPiece['notes'], Map<string, readonly HandGround[]>>();
const passages = new WeakMap<PlannedPiece['notes'], readonly Passage[]>();

export function groundsOf(piece: PlannedPiece, player: Player): readonly HandGround[] {
  const known = grounds.get(piece.notes) ?? new Map<string, readonly HandGround[]>();
  grounds.set(piece.notes, known);
  const name = JSON.stringify(player);
  const found = known.get(name) ?? passagesOf(piece).map((passage) => groundFor(passage, `${piece.score.ticksPerQuarter}/${name}`, demandsFor(player)));
  known.set(name, found);
  return found;
}

/** Grounds of hands by all that they rest on: after an edit in one hand the other's is found again. */
const groundsByContent = new Map<string, HandGround>();

/** So many hands are kept in mind; then the oldest is forgotten. */
const KEPT_HANDS = 48;

function groundFor(passage: Passage, circumstances: string, demands: Demands): HandGround {
  const content = passage.notes.map(({ note, letter, altered, end, printed }) =>
    [note.id, letter, altered, note.onset, end, note.midi, printed, note.slurEnds, note.detached, note.isGrace].join(),
  );
  const name = `${circumstances}/${passage.hand}/${content.join(';')}`;
  const ground = groundsByContent.get(name) ?? groundOf(passage, demands);
  groundsByContent.delete(name);
  groundsByContent.set(name, ground);
  const oldest = groundsByContent.keys().next().value;
  if (groundsByContent.size > KEPT_HANDS && oldest !== undefined) groundsByContent.delete(oldest);
  return ground;
}

function passagesOf({ part, hands, notes, score }: PlannedPiece): readonly Passage[] {
  const known = passages.get(notes);
  if (known) return known;
  const struck = struckNotes(notes);
  const signatures = signatureLine(part);
  const made = hands
    .map((hand) => ({ hand, own: struck.filter((note) => note.hand === hand) }))
    .filter(({ own }) => own.length > 0)
    .map(({ hand, own }) =>
      passageOf(hand, own, score.ticksPerQuarter, (note, step) => signatures.alterAt(note.barIndex, note.item.onset, note.item.staff, step)),
    );
  passages.set(notes, made);
  return made;
}
