import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { open, USUAL } from '../../../tests/support/open';
import { SAYS } from '../../../tests/support/usual-words';
import { aFact, cleanPattern, securePiece } from '../../../tests/support/run-facts';
import { USUAL_PLAYER, type Player } from '../fingering';
import { fifteenKeys, keyText } from '../pitch';
import { fitPiece, type PieceFit } from '../survey';
import { ladderOf } from '../views';
import { keyStanding, recordedKeys } from './key-states';
import { nextKeys, type NextKey, type NextKeyAsked } from './next-key';
import type { RunFact } from './run-fact';

const FIVE = musicXml({
  title: 'tune',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5',
  left: 'C3w/5 | G3w/1',
  mode: 'major',
});
const IN_MINOR = musicXml({
  title: 'dusk',
  right: 'A4q/1 B4q/2 C5q/3 D5q/4 | E5w/5',
  left: 'A3w/5 | E4w/1',
  mode: 'minor',
});
const fit = (text: string, id: string, player: Player = USUAL_PLAYER): PieceFit => fitPiece(open(text), id, player);
const TUNE = fit(FIVE, 'tune');

const ALL = [...fifteenKeys('major'), ...fifteenKeys('minor')].map(keyText);

function asked(
  secure: readonly string[],
  runs: readonly RunFact[] = [],
  more: Partial<NextKeyAsked> = {},
): NextKeyAsked {
  const recorded = recordedKeys(runs);
  const judgedAs = (key: string) =>
    secure.includes(key) ? ({ key, state: 'secure', day: null, why: '' } as const) : null;
  return {
    standings: ALL.map((key) => keyStanding(key, judgedAs(key), recorded.get(key) ?? null)),
    ladders: [TUNE],
    order: 'ease',
    own: { major: [], minor: [] },
    outer: 'allow',
    ...more,
  };
}
const order = (question: NextKeyAsked): readonly string[] =>
  nextKeys(question).map(({ key }) => key.replace('-major', ''));
const first = (question: NextKeyAsked): NextKey => nextKeys(question)[0] as NextKey;

// Written down as a teacher would, before the program was asked.
describe('the next key of a five-finger tune', () => {
  // Handbook: first by the number of black keys, then by the finger under them: D and A before F, F before E, E before B flat.
  it('by ease: fewest black keys first, then by the finger under them', () => {
    expect(order(asked(['C-major']))).toEqual(['G', 'D', 'A', 'F', 'E', 'Bb', 'B', 'Eb', 'Gb', 'Ab', 'Db']);
  });

  it('by fifths: one sign more each time, sharps before flats', () => {
    const fifths = order(asked(['C-major'], [], { order: 'fifths' }));
    expect(fifths.slice(0, 6)).toEqual(['G', 'F', 'D', 'Bb', 'A', 'Eb']);
  });

  it('by the shape of the triad: C F G / D A E / D♭ A♭ E♭ / G♭ / B♭ / B', () => {
    const shape = order(asked(['C-major'], [], { order: 'shape' }));
    expect(shape).toEqual(['F', 'G', 'D', 'A', 'E', 'Db', 'Ab', 'Eb', 'Gb', 'Bb', 'B']);
  });

  it('in the teacher’s own order, and what that does not name by ease', () => {
    const own = order(asked(['C-major'], [], { own: { major: ['D', 'A'], minor: [] } }));
    expect(own.slice(0, 4)).toEqual(['D', 'A', 'G', 'F']);
  });

  it('passes over what is secure or being learnt, and other names of it', () => {
    const learning = [aFact({ key: 'F-major', outcome: 'unclean' })];
    const left = order(asked(['C-major', 'G-major', 'C#-major'], learning));
    for (const known of ['G', 'F', 'C', 'Db', 'C#']) expect(left).not.toContain(known);
  });

  it('has keys with finger 1 or 5 on black last where the school leaves them out, and says so', () => {
    const all = nextKeys(asked(['C-major'], [], { outer: 'avoid' }));
    const from = all.findIndex(({ leftOut }) => leftOut !== null);
    expect(all.slice(0, from).map(({ key }) => key)).toEqual(['G-major', 'D-major', 'A-major', 'F-major', 'E-major']);
    expect(new Set(all.slice(from).map(({ leftOut }) => leftOut))).toEqual(new Set(['outer-on-black']));
  });

  it('asks for a secure piece first, then for the five fingers, then for nothing', () => {
    const readiness = (runs: readonly RunFact[]) =>
      nextKeys(asked(['C-major'], runs)).find(({ key }) => key === 'D-major')?.readiness;
    expect(readiness([])).toBe('piece-first');
    expect(readiness(securePiece('C-major'))).toBe('pattern-first');
    expect(readiness([...securePiece('C-major'), ...cleanPattern('D-major')])).toBe('ready');
    // Secure in another key than its own is not what is asked for.
    expect(readiness(securePiece('G-major'))).toBe('piece-first');
  });

  it('says what the pieces ask there', () => {
    const next = nextKeys(asked(['C-major'], securePiece('C-major'))).find(({ key }) => key === 'D-major') as NextKey;
    expect(next.pieces).toEqual([
      { piece: 'tune', title: 'tune', moreMoves: 0, limits: 0, onBlack: [{ hand: 'right', finger: 3 }] },
    ]);
    expect(next.black).toEqual({ right: [3], left: [3] });
    expect(next.secure.map(({ piece }) => piece)).toEqual(['tune']);
  });
});

describe('by ease', () => {
  it.each(DEMO_FILES.map(({ id }) => id))(
    '%s goes through the keys as its survey does, where that sees more than small things between them',
    (id) => {
      const piece = open(demoFile(id));
      const { mode } = piece.key.key;
      const { keys } = ladderOf(SAYS, piece, { ...USUAL, fingering: 'plan' }, { order: 'ease' });
      const effort = new Map(keys.map((key) => [`${key.tonic}-${mode}`, key.effort]));
      const ranked = order(asked([], [], { ladders: [fitPiece(piece, id, USUAL_PLAYER)] })).map((name) =>
        name.includes('-') ? name : `${name}-${mode}`,
      );
      const efforts = ranked.map((name) => effort.get(name)).filter((one) => one !== undefined);
      expect(efforts.length).toBeGreaterThan(9);
      for (const [i, one] of efforts.entries())
        for (const earlier of efforts.slice(0, i)) expect(earlier - one).toBeLessThan(SEEN_ELSEWHERE);
    },
  );
});

/** What flags and ledger lines add to the effort of a survey: they are found note by note. */
const SEEN_ELSEWHERE = 2;

describe('the next key of other pieces', () => {
  it('is a minor one where most pieces are in minor; where none is in a mode, that waits', () => {
    const dusk = fit(IN_MINOR, 'dusk');
    expect(first(asked([], [], { ladders: [dusk] })).key).toBe('A-minor');
    const both = nextKeys(asked(['C-major', 'A-minor'], [], { ladders: [TUNE, dusk] })).map(({ key }) => key);
    expect([both[0], both.some((key) => key.endsWith('minor'))]).toEqual(['G-major', true]);
    expect(order(asked([])).every((key) => !key.includes('minor'))).toBe(true);
  });

  it('is any key in its order where the pupil has no piece yet, by its five fingers', () => {
    expect(order(asked([], [], { ladders: [] })).slice(0, 3)).toEqual(['C', 'G', 'D']);
    expect(first(asked([], [], { ladders: [] })).readiness).toBe('piece-first');
  });

  it('is none that asks too much of the hand, while there are others', () => {
    const small = { ...USUAL_PLAYER, level: 1, spanMm: 130 } as const;
    const octaves = fit(musicXml({ title: 'far', right: 'C4q/1 C5q/5 C4h/1', mode: 'major' }), 'far', small);
    expect(nextKeys(asked([], [], { ladders: [octaves] })).every(({ leftOut }) => leftOut === 'beyond-the-hand')).toBe(
      true,
    );
  });
});
