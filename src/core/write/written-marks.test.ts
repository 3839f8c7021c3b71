import { describe, expect, it } from '@jest/globals';
import { saveAs } from '../piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';

const PIECE = open(demoFile('market-chords'));
const SHOWN = moved(PIECE, 'Eb');
/** The first chord of the left hand is n4, n5, n6: the top note stands last in the file. */
const CHORD = SHOWN.notes.filter(({ hand, onset }) => hand === 'left' && onset === 0).map(({ id }) => id);

const save = (words: Readonly<Record<string, string>>, colours: Readonly<Record<string, string>>): string =>
  String(
    saveAs(PIECE, SHOWN, 'musicxml', {
      marks: { words: new Map(Object.entries(words)), colours: new Map(Object.entries(colours)) },
    }).content,
  );

describe('marks in a saved file', () => {
  it('are words over the note, on its staff, and the colour of the note', () => {
    const file = save({ n1: 'B♭!' }, { n2: '#A3281C' });
    expect(file).toContain(
      '<direction placement="above"><direction-type><words>B♭!</words></direction-type><staff>1</staff></direction>',
    );
    expect(file.match(/<note[^>]* color="#A3281C"/g)).toHaveLength(1);
  });

  it('stand before a chord, whichever of its notes has them', () => {
    for (const id of CHORD) {
      const file = save({ [id]: 'curve' }, {});
      const after = file.slice(file.indexOf('<words>curve</words>'));
      const next = /<note[^>]*>[\s\S]*?<\/note>/.exec(after)?.[0] ?? '';
      expect(next).toContain('<staff>2</staff>');
      expect(next).not.toContain('<chord/>');
    }
  });

  it('change no note and no finger of what is read again', () => {
    const again = open(save({ n1: 'B♭!', n9: 'here' }, { n2: '#A3281C' }));
    expect(again.notes.map(({ midi, onset, finger }) => [midi, onset, finger])).toEqual(
      SHOWN.notes.map(({ midi, onset, finger }) => [midi, onset, finger]),
    );
  });
});
