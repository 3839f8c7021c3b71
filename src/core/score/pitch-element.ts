import { element, type XmlElement } from '../xml';
import { LETTERS, type Pitch } from '../pitch';

/** A pitch as MusicXML has it. */
export function pitchElement({ step, alter, octave }: Pitch): XmlElement {
  const text = (name: string, value: string | number): XmlElement => element(name, {}, [String(value)]);
  return element('pitch', {}, [
    text('step', LETTERS[step]),
    ...(alter === 0 ? [] : [text('alter', alter)]),
    text('octave', octave),
  ]);
}
