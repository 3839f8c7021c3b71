import { describe, expect, it } from '@jest/globals';
import { REQUEST, sheetPiece } from '../../../tests/support/sheets';
import { USUAL } from '../../../tests/support/open';
import { SAYS } from '../../../tests/support/usual-words';
import { musicXml } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { HANDOUT_PARTS } from '../paper';
import { asWritten } from '../piece';
import { parseKey } from '../pitch';
import { stepOf } from '../homework';
import {
  keySheet,
  pieceSheet,
  weekSheet,
  type Sheet,
  type SheetBlock,
  type SheetPiece,
  type SheetRequest,
} from './index';

const OPTIONS = { ...USUAL, fingering: 'plan' as const };
const printed = (
  of: SheetPiece,
  more: Partial<SheetRequest> = {},
  kind: 'handout' | 'blank' | 'key' = 'handout',
): Sheet => pieceSheet(SAYS, kind, { of, options: OPTIONS }, { ...REQUEST, ...more });
const blocksOf = <K extends SheetBlock['kind']>(
  { blocks }: Sheet,
  kind: K,
): readonly Extract<SheetBlock, { readonly kind: K }>[] =>
  blocks.filter((block): block is Extract<SheetBlock, { readonly kind: K }> => block.kind === kind);

describe('a handout', () => {
  it('has its parts in the order in which they are wanted, and only those', () => {
    const of = sheetPiece('lantern-walk', 'D');
    const parts = ['steps', 'music'] as const;
    const { blocks } = printed(of, { handout: { parts, tracks: 'shown' } });
    expect(blocks.map(({ kind }) => kind)).toEqual(['title', 'heading', 'steps', 'music']);
  });

  it('says what to watch for as a child is told it, and nothing that the teacher put away', () => {
    const of = sheetPiece('the-sixth-step', 'Bb');
    const [watch] = blocksOf(printed(of, { handout: { parts: ['watch'], tracks: 'hidden' } }), 'list');
    expect(watch?.items.length).toBeGreaterThan(0);
    for (const item of watch?.items ?? []) expect(item).toMatch(/^In (bar|bars) .*(your|the|both|little)/);
  });

  it('shows each place of a hand once, with the fingers on the keys where they are', () => {
    const of = sheetPiece('bridge-to-the-other-bank', 'D');
    const [places] = blocksOf(printed(of, { handout: { parts: ['places'], tracks: 'hidden' } }), 'places');
    // D position, then A position a fifth up: handbook, five-finger patterns. D4 is key 62.
    expect(places?.places.map(({ words }) => words)).toEqual([
      'Right hand, bars 1–8: D position',
      'Right hand, bars 9–16: A position',
      'Left hand, bars 1–8: D position',
      'Left hand, bars 9–16: A position',
    ]);
    expect(places?.places[0]).toMatchObject({
      onBlack: [3],
      keys: [
        { midi: 62, finger: 1 },
        { midi: 64, finger: 2 },
        { midi: 66, finger: 3 },
        { midi: 67, finger: 4 },
        { midi: 69, finger: 5 },
      ],
    });
  });

  it('has a ring at each note that the signature alters, where the teacher wants reminders', () => {
    const of = sheetPiece('lantern-walk', 'D');
    const ringed = (reminders: SheetRequest['reminders']): readonly string[] =>
      blocksOf(printed(of, { reminders }), 'music').flatMap((music) => music.ringed);
    const altered = of.after.notes.filter(({ pitch }) => pitch.alter !== 0).map(({ id }) => id);
    expect(ringed('none')).toEqual([]);
    expect(ringed('signature')).toEqual(altered);
  });

  it('has the teacher’s steps where there are some, with a box for each time', () => {
    const of = sheetPiece('lantern-walk', 'D');
    const kept = [stepOf('slow', { words: 'As slow as a snail.', times: 4 })];
    const [steps] = blocksOf(printed(of, { steps: { kept, ownStages: [] } }), 'steps');
    expect(steps?.steps).toEqual([{ title: 'Slowly, from beginning to end', told: 'As slow as a snail.', times: 4 }]);
  });

  it('warns of pain where a hand has to stretch, and nowhere else', () => {
    const wide = open(musicXml({ right: 'C4+E4+G4+D5w/1/2/3/5 | C4w/1' }));
    const of: SheetPiece = {
      piece: wide,
      before: asWritten(wide),
      after: moved(wide, 'C', { fingering: 'plan' }),
      stage: null,
    };
    const cautions = (sheet: Sheet): readonly string[] => blocksOf(sheet, 'caution').map(({ text }) => text);
    expect(cautions(printed(of))).toEqual([expect.stringMatching(/hurts, stop and rest.*ask a doctor/)]);
    expect(cautions(printed(sheetPiece('lantern-walk', 'C')))).toEqual([]);
  });

  it('is the same whatever was printed before it', () => {
    const of = sheetPiece('lantern-walk', 'D');
    const first = JSON.stringify(printed(of, { handout: { parts: HANDOUT_PARTS, tracks: 'shown' } }));
    printed(sheetPiece('market-chords', 'A'));
    expect(JSON.stringify(printed(of, { handout: { parts: HANDOUT_PARTS, tracks: 'shown' } }))).toBe(first);
  });
});

describe('a sheet to fill in', () => {
  const of = sheetPiece('market-chords', 'E');
  const musicOf = (leave: SheetRequest['blank']['leave'], at: number): string =>
    blocksOf(printed(of, { blank: { leave, answers: 'with' } }, 'blank'), 'music')[at]?.page.musicXml ?? '';
  const count = (text: string, part: string): number => text.split(part).length - 1;

  it.each([
    ['fingers', '<fingering'],
    ['accidentals', '<accidental'],
  ] as const)('without %s has none of them; the answers have all', (leave, sign) => {
    expect(count(musicOf(leave, 0), sign)).toBe(0);
    expect(count(musicOf(leave, 0), '<note ')).toBe(count(musicOf(leave, 1), '<note '));
    if (leave === 'fingers') expect(count(musicOf(leave, 1), sign)).toBeGreaterThan(10);
  });

  it('with the piece left out keeps the room of every note, so that its staves are as wide as the notes need', () => {
    const [task, answers] = [musicOf('notes', 0), musicOf('notes', 1)];
    expect(count(task, 'print-object="no"')).toBe(answers.match(/<note[^>]*id="after-/g)?.length);
  });

  it('without names has a line to write on under each struck note', () => {
    expect(count(musicOf('names', 0), '___')).toBe(of.after.notes.filter(({ tieStop }) => !tieStop).length);
    expect(musicOf('names', 1)).toContain('G♯');
  });
});

describe('other sheets', () => {
  it('have every key of a piece on one page, the easiest first', () => {
    const [table] = blocksOf(printed(sheetPiece('lantern-walk', 'C'), {}, 'key'), 'table');
    expect(table?.rows.length).toBe(15);
    expect(table?.rows.slice(0, 3).map(({ cells }) => cells[0])).toEqual(['C major', 'G major', 'D major']);
    expect(table?.rows[2]?.hands).toEqual({ right: [3], left: [3] });
  });

  it('ask for a position on the front of a card and name it on the back', () => {
    const keys = [parseKey('D', 'major'), parseKey('Bb', 'major')].flatMap((key) => key ?? []);
    const [{ cards } = { cards: [] }] = blocksOf(
      keySheet(SAYS, 'cards', keys, { ...REQUEST, cards: ['positions'] }),
      'cards',
    );
    expect(cards.map(({ front, back }) => [front.kind, back.kind === 'words' ? back.large : ''])).toEqual([
      ['place', 'D major'],
      ['place', 'D major'],
      ['place', 'B♭ major'],
      ['place', 'B♭ major'],
    ]);
    const [first] = cards;
    expect(first?.front.kind === 'place' ? first.front.place.words : '').not.toMatch(/D/);
  });

  it('tell a pupil’s week: each card with its steps, and rows to write down what was practised', () => {
    const card = {
      title: 'Two Boats in D major',
      note: 'Softly.\nThen loud.',
      steps: [{ title: 'Slowly', told: 'On to the end.', times: 3 }],
    };
    const sheet = weekSheet(SAYS, { pupil: 'Tam', week: '2–8 March', cards: [card] }, 'The Lamp Room');
    expect(sheet.title).toBe('Tam: 2–8 March');
    expect(sheet.foot).toBe('The Lamp Room');
    expect(blocksOf(sheet, 'heading').map(({ text }) => text)).toEqual(['Two Boats in D major', 'What I played']);
    expect(blocksOf(sheet, 'text').map(({ text }) => text)).toEqual(['Softly.', 'Then loud.']);
    expect(blocksOf(sheet, 'table')[0]?.rows.length).toBe(7);
  });
});
