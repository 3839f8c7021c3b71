type Random = () => number;

/** A text spoiled by somebody who knows its grammar: `random` gives numbers from 0 to 1. */
export type Spoil = (text: string, random: Random) => string;

function pick<T>(items: readonly T[], random: Random): T {
  return items[Math.floor(random() * items.length)] as T;
}

/** Puts something else for a part of a text. */
function replaced(text: string, from: number, to: number, by: string): string {
  return text.slice(0, from) + by + text.slice(to);
}

/** What ABC knows, and a little more, each where it does not belong. */
const ABC_PARTS = [
  ...[
    '|:',
    ':|',
    '::',
    '[1',
    '[2',
    '|]',
    '|',
    '[V:2]',
    '[V:]',
    '[K:C#]',
    '[M:0/4]',
    '[L:1/0]',
    '(3',
    '(9:99:9',
    '(',
    ')',
    '[',
    ']',
    '{',
    '}',
  ],
  ...[
    '^^^',
    '__',
    '=',
    "''''''''''",
    ',,,,,,,,,',
    '/////////',
    '99999999999',
    '0',
    '-',
    '>>>',
    '<',
    '&',
    'y',
    'x',
    'Z999999',
    'z',
  ],
  ...[
    '"^',
    '"',
    '!ff!',
    '!',
    '+',
    '$',
    '\\',
    '%',
    '%%score (1 2',
    'w: a-b_*|~',
    's:',
    '\nK:',
    '\nK:H lydian',
    '\nM:999/1',
    '\nL:7/3',
    '\nQ:0',
    '\nQ:1/4=9e9',
  ],
  ...[
    '\nP:A(AB)99',
    '\nV:1 clef=none',
    '\nX:2\nT:two\nK:C\nC',
    '\nI:',
    '\nU:',
    '\r',
    '\0',
    '\u202E',
    '☃',
    '\uD800',
    '',
  ],
] as const;

export const spoilAbc: Spoil = (text, random) => {
  let spoiled = text;
  for (let i = 0; i <= random() * 6; i += 1) {
    const at = Math.floor(random() * spoiled.length);
    spoiled = replaced(spoiled, at, at + Math.floor(random() * 3), pick(ABC_PARTS, random));
  }
  return spoiled;
};

const XML_VALUES = [
  '',
  '-1',
  '0',
  '1',
  '7',
  '1e999',
  'NaN',
  '99999999999999999999',
  '0.0001',
  '1/2',
  ' 4 ',
  'sharp',
  'C',
  '☃',
  '&#0;',
  '&x;',
  '<![CDATA[x]]>',
  '<a/>',
];
const XML_TAG = /<(\/?)([a-z-]+)([^<>]*)>/g;

/** Elements left out, doubled, renamed, nested deeply, with other values or attributes. */
export const spoilXml: Spoil = (text, random) => {
  const tags = [...text.matchAll(XML_TAG)];
  const tag = pick(tags, random);
  const [whole, , name = ''] = tag;
  const end = tag.index + whole.length;
  switch (Math.floor(random() * 7)) {
    case 0:
      return replaced(text, tag.index, end, '');
    case 1:
      return replaced(text, end, end, whole);
    case 2:
      return replaced(text, end, text.indexOf('<', end), pick(XML_VALUES, random));
    case 3:
      return text.replaceAll(`<${name}>`, `<${pick(tags, random)[2]}>`);
    case 4:
      return replaced(text, end, end, '<note>'.repeat(Math.floor(random() * 400)));
    case 5: {
      const other = pick(tags, random);
      const [from, to] = [tag.index, other.index].sort((a, b) => a - b) as [number, number];
      return random() < 0.5 ? replaced(text, from, to, '') : replaced(text, from, from, text.slice(from, to));
    }
    default:
      return replaced(text, tag.index, end, whole.replace(/="[^"]*"/, `="${pick(XML_VALUES.slice(0, 14), random)}"`));
  }
};

const JSON_VALUES = [
  'null',
  '[]',
  '{}',
  '-1',
  '1e999',
  '"☃"',
  '"__proto__"',
  'true',
  '[[[[[[]]]]]]',
  '"' + 'W'.repeat(5000) + '"',
];

/** Values and names of a JSON text exchanged. */
export const spoilJson: Spoil = (text, random) => {
  const values = [...text.matchAll(/"[^"\n]*"|\d+|true|false|null/g)];
  const value = pick(values, random);
  const end = value.index + value[0].length;
  if (random() < 0.2) return text.replaceAll(value[0], pick(['"__proto__"', '"constructor"', '"id"'], random));
  return replaced(text, value.index, end, pick(JSON_VALUES, random));
};
