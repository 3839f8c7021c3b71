import { describe, expect, it } from '@jest/globals';
import { childElements, isElement, type XmlElement } from '../xml';
import { parseXml } from '../xml/parse-xml';
import { unwrap } from '../base';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { engravingPage } from './engraving';
import { NO_TEXTS } from './note-texts';
import { systemBreaks } from './page-layout';
import { writeMusicXml } from './write-score';

/** A tree without places in the text and without blank text: what two files have in common that say the same. */
function canonical(xml: string): unknown {
  const bare = (node: XmlElement): unknown => ({
    name: node.name,
    attributes: node.attributes,
    children: node.children.flatMap((child): readonly unknown[] => {
      if (isElement(child)) return [bare(child)];
      return child.kind === 'text' && child.text.trim() === '' ? [] : [child];
    }),
  });
  return bare(unwrap(parseXml(xml)).root);
}

/** Everything but what moving may change. */
function withoutMoved(node: XmlElement): unknown {
  const changing = ['pitch', 'accidental', 'fifths', 'cancel', 'stem'];
  return {
    name: node.name,
    attributes: node.attributes,
    children: node.children.flatMap((child): readonly unknown[] => {
      if (!isElement(child)) return child.kind === 'text' && child.text.trim() === '' ? [] : [child];
      return changing.includes(child.name) ? [] : [withoutMoved(child)];
    }),
  };
}

describe('writeMusicXml', () => {
  it.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))('gives %s back as it was read', (_id, text) => {
    expect(canonical(writeMusicXml(open(text).score))).toEqual(canonical(text));
  });

  it.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))(
    'changes nothing in %s but pitches, signs, signatures and stems',
    (_id, text) => {
      const written = unwrap(parseXml(writeMusicXml(moved(open(text), 'Bb').score))).root;
      expect(withoutMoved(written)).toEqual(withoutMoved(unwrap(parseXml(text)).root));
    },
  );

  it('carries through what we do not understand, and characters that need care', () => {
    const odd =
      '<direction><direction-type><words>a &lt; b &amp; "c" 🎹</words></direction-type></direction><x-studio y="&quot;1&quot;"><![CDATA[<raw>]]></x-studio><!-- kept --><?app do?>';
    const text = musicXml({ right: 'C4w', extra: { 1: odd } });
    const written = writeMusicXml(moved(open(text), 'D').score);
    for (const kept of [
      'a &lt; b &amp; "c" 🎹',
      '<x-studio y="&quot;1&quot;"><![CDATA[<raw>]]></x-studio>',
      '<!-- kept -->',
      '<?app do?>',
    ])
      expect(written).toContain(kept);
  });

  it('keeps the fingers of a chord note by note, and takes all away when asked', () => {
    const version = moved(open(demoFile('market-chords')), 'D', { fingering: 'none' });
    expect(writeMusicXml(version.score)).not.toContain('<fingering');
    expect(writeMusicXml(version.score)).not.toContain('<technical/>');
  });

  it('drops bends of ties and slurs drawn for the old place, and keeps the side of a slur', () => {
    const slur =
      '<notations><slur type="start" placement="below" bezier-x="3" default-y="-10"/><tied type="start" orientation="over"/></notations>';
    const text = musicXml({ right: 'C4w' }).replace('</note>', `${slur}</note>`);
    expect(writeMusicXml(moved(open(text), 'D').score)).toContain(
      '<notations><slur type="start" placement="below"/><tied type="start"/></notations>',
    );
  });
});

describe('engravingPage', () => {
  const layers = (): ReturnType<typeof open>[] => [open(demoFile('lantern-walk'))];

  it('has every note of every layer once, under its own prefix', () => {
    const score = layers()[0]?.score;
    const page = score
      ? engravingPage(
          [
            { score, prefix: 'a-', label: 'C', texts: NO_TEXTS },
            { score, prefix: 'b-', label: 'C', texts: NO_TEXTS },
          ],
          [],
        ).musicXml
      : '';
    const ids = [...page.matchAll(/<note id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.filter((id) => id?.startsWith('a-'))).toHaveLength(ids.length / 2);
  });

  it('breaks systems where it is told, and nowhere else', () => {
    const text = musicXml({ right: 'C4w | D4w | E4w | F4w', extra: { 2: '<print new-page="yes"/>' } });
    const page = engravingPage([{ score: open(text).score, prefix: '', label: '', texts: NO_TEXTS }], [2]).musicXml;
    const bars = childElements(childElements(unwrap(parseXml(page)).root, 'part')[0] as XmlElement);
    expect(bars.map((bar) => childElements(bar, 'print').length)).toEqual([0, 0, 1, 0]);
  });
});

describe('systemBreaks', () => {
  it('spreads bars evenly and never breaks a piece that fits', () => {
    const { score } = open(demoFile('lantern-walk'));
    expect(systemBreaks(score, 1000)).toEqual([]);
    expect(systemBreaks(score, 26)).toEqual([4]);
  });

  it('is the same in every key', () => {
    const piece = open(demoFile('mill-wheel'));
    expect(systemBreaks(moved(piece, 'Db').score, 20)).toEqual(systemBreaks(piece.score, 20));
  });

  it('puts at least one bar on each system, however narrow', () => {
    const breaks = systemBreaks(open(demoFile('lantern-walk')).score, 1);
    expect(new Set(breaks).size).toBe(breaks.length);
    expect(breaks).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });
});
