import { describe, expect, it } from '@jest/globals';
import { USUAL_PLAYER } from '../fingering';
import { fitPiece } from './fit-piece';
import { ladderOf } from '../views';
import { keyText, parseKey, parseName, pitchClass, type Key, type PitchName } from '../pitch';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { open, USUAL } from '../../../tests/support/open';
import { askShelf, countEach, isFit, type FitQuestion, type PieceFit } from './fit';
import { SAYS } from '../../../tests/support/usual-words';

const fit = (text: string, id = 'one', options: Partial<typeof USUAL_PLAYER> = {}): PieceFit =>
  fitPiece(open(text), id, { ...USUAL_PLAYER, ...options });
const FIVE = musicXml({ title: 'Five', right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', mode: 'major' });
const SIX = musicXml({ title: 'Six', right: 'C4q/1 D4q/2 E4q/3 A4q/5 | C4w/1', mode: 'major' });
const WIDE = musicXml({
  title: 'Wide',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5 | C5q/1 D5q/2 E5q/3 F5q/4 | G5w/5',
  mode: 'major',
});
const shelf = [fit(FIVE, 'five'), fit(SIX, 'six'), fit(WIDE, 'wide')];
const question = (options: Partial<FitQuestion>): FitQuestion => ({
  tonics: [],
  enough: 'one',
  filters: [],
  ...options,
});
const found = (options: Partial<FitQuestion>): readonly string[] =>
  askShelf(shelf, question(options)).map(({ piece }) => piece);

const keysOf = (names: readonly string[]): readonly number[] => [
  ...new Set(names.map((name) => pitchClass(parseName(name) as PitchName))),
];

describe('fitPiece', () => {
  it('says of all fifteen keys where the hands sit and what is on black', () => {
    const { keys, own, title } = shelf[0] as PieceFit;
    expect([title, own, keys.length]).toEqual(['Five', 'C-major', 15]);
    const of = (name: string) => keys.find(({ key }) => key === name);
    expect(of('D-major')).toMatchObject({
      limits: 0,
      hands: [{ hand: 'right', moves: 0, positions: ['D'], onBlack: [3], opens: 0 }],
    });
    expect(of('Bb-major')?.hands[0]).toMatchObject({ positions: ['B♭'], onBlack: [1, 4] });
    expect(of('Gb-major')?.hands[0]?.onBlack).toEqual([1, 2, 3, 5]);
  });

  it('agrees with the ladder on moves and black fingers, in every key of every demo piece', () => {
    let compared = 0;
    for (const { id } of DEMO_FILES) {
      const piece = open(demoFile(id));
      const ladder = ladderOf(SAYS, piece, { ...USUAL, fingering: 'plan' }, { order: 'ease' }).keys.filter(
        ({ leaveOut }) => leaveOut === null,
      );
      for (const { key, hands } of fitPiece(piece, id, USUAL_PLAYER).keys) {
        const rung = ladder.find(({ tonic, mode }) => keyText(parseKey(`${tonic}-${mode}`, 'major') as Key) === key);
        if (!rung) continue;
        compared += 1;
        expect([id, key, hands.reduce((sum, { moves }) => sum + moves, 0)]).toEqual([id, key, rung.positionChanges]);
        for (const { hand, onBlack, positions } of hands) {
          expect([id, key, hand, onBlack]).toEqual([id, key, hand, rung.blackFingers[hand]]);
          // A key change inside the piece may be written in its enharmonic key: the same positions all the same.
          expect([id, key, hand, keysOf(positions)]).toEqual([id, key, hand, keysOf(rung.positions[hand])]);
        }
      }
    }
    // Only keys that the ladder leaves out are passed over: none under the usual school.
    expect(compared).toBe(15 * DEMO_FILES.length);
  });

  it('survives the way between workers and into storage', () => {
    for (const one of shelf) expect(JSON.parse(JSON.stringify(one))).toEqual(structuredClone(one));
  });
});

describe('asking the shelf', () => {
  it('hands that stay put, in the key where the piece stands', () => {
    expect(found({ filters: [{ kind: 'stays-put' }] })).toEqual(['five', 'six']);
  });

  it('no finger on black in every one of three keys, or in one of them', () => {
    const tonics = ['C', 'G', 'F'];
    expect(found({ tonics, enough: 'every', filters: [{ kind: 'no-black' }] })).toEqual(['six']);
    expect(found({ tonics, enough: 'one', filters: [{ kind: 'no-black' }] })).toEqual(['five', 'six', 'wide']);
  });

  it('finger 4 on black, six-note stretches, a position, and what a level can play', () => {
    expect(found({ tonics: ['F'], filters: [{ kind: 'finger-on-black', finger: 4 }] })).toEqual(['five', 'wide']);
    expect(found({ filters: [{ kind: 'opens' }] })).toEqual(['six']);
    // A hand that opens is named by the five letters from which it does.
    expect(found({ tonics: ['Eb'], filters: [{ kind: 'in-position', name: 'E♭' }] })).toEqual(['five', 'six', 'wide']);
    expect(found({ tonics: ['Eb'], filters: [{ kind: 'in-position', name: 'G' }] })).toEqual([]);
    const beginner = [fit(FIVE, 'five', { level: 1 }), fit(WIDE, 'wide', { level: 1 })];
    expect(askShelf(beginner, question({ filters: [{ kind: 'playable' }] })).map(({ piece }) => piece)).toEqual([
      'five',
    ]);
  });

  it('all filters have to hold in the same key', () => {
    const filters = [{ kind: 'no-black' } as const, { kind: 'in-position', name: 'G' } as const];
    const [first] = askShelf([shelf[0] as PieceFit], question({ tonics: ['C', 'G', 'D'], filters }));
    expect(first?.keys.map(({ key }) => key)).toEqual(['G-major']);
  });

  it('counts what would be left with each filter added', () => {
    const added = [{ kind: 'opens' } as const, { kind: 'no-black' } as const];
    expect(countEach(shelf, question({ filters: [{ kind: 'stays-put' }] }), added)).toEqual([1, 2]);
  });

  it('a piece without hands never fits', () => {
    const empty: PieceFit = { piece: 'e', title: '', own: 'C-major', keys: [{ key: 'C-major', hands: [], limits: 0 }] };
    expect(askShelf([empty], question({}))).toEqual([]);
    expect(isFit(empty.keys[0] as PieceFit['keys'][number], { kind: 'stays-put' })).toBe(true);
  });
});
