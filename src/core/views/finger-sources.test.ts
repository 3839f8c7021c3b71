import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { handNoteViews } from './hand-note-views';
import { positionViews } from './position-views';
import type { MoveOptions, Version } from '../piece';
import { SAYS } from '../../../tests/support/usual-words';

function planned(text: Omit<PieceText, 'mode'>, to: string, options: Partial<MoveOptions> = {}): Version {
  return moved(open(musicXml({ ...text, mode: 'major' })), to, { fingering: 'plan', ...options });
}

const sources = (version: Version, hand: 'right' | 'left'): readonly string[] =>
  positionViews(SAYS, version)
    .filter((position) => position.hand === hand)
    .map(({ source }) => source);

describe('where fingers come from', () => {
  it('is the page, where printed ones stay', () => {
    const version = planned({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4q/5 E4q/3 C4h/1' }, 'Eb');
    expect(sources(version, 'right')).toEqual(['as printed']);
  });

  it('is the standard fingering of a scale, named by the key it is in', () => {
    const version = planned({ right: 'C4e D4e E4e F4e G4e A4e B4e C5e | C5w' }, 'Gb');
    expect(new Set(sources(version, 'right').join(' and ').split(' and '))).toContain(
      'standard for the G♭ major scale',
    );
  });

  it('is the figure, for what a left hand accompanies with', () => {
    const waltz = planned(
      { right: 'C5h G4q | E5h C5q', left: 'C3q E3+G3q E3+G3q | C3q E3+G3q E3+G3q', meter: [3, 4] },
      'D',
    );
    expect(sources(waltz, 'left')).toContain('usual for a bass with chords over it');
  });

  it('is an earlier bar, where a passage comes again with the same fingers', () => {
    const version = planned({ right: 'C4q E4q D4q Rq | C5q E5q D5q Rq' }, 'D');
    expect(sources(version, 'right')).toEqual(['planned', 'planned and as in bar 1']);
  });

  it('is the teacher, where the teacher decided', () => {
    const version = planned({ right: 'C4q E4q D4q F4q' }, 'D', {
      decisions: { fingers: [{ key: null, note: 'n1', finger: 2 }], aside: [] },
    });
    expect(sources(version, 'right')[0]).toContain('as you decided');
  });

  it('stands with the fingers that a hand note proposes', () => {
    const version = planned({ right: 'C4e/1 D4e/2 E4e/3 F4e/1 G4e/2 A4e/3 B4e/4 C5e/5 | C5w/5' }, 'Gb');
    const changes = handNoteViews(SAYS, version).flatMap(({ fingers }) => fingers ?? []);
    expect(changes.map(({ source }) => source)).toContain('standard for the G♭ major scale');
  });
});
