/** The pupils of the demo studio, all invented. Reaches are of the size that the handbook's caution is about: a child's hand is smaller than any
 * printed table of adult hands. */
export const PUPILS = [
  { id: 'demo-nell', origin: 'demo', name: 'Nell Quarrie', addedAt: 0, level: '1', spanMm: 150, outer: 'avoid', inner: 'interval', repeat: 'keep', keysKnown: ['C-major', 'G-major'] },
  { id: 'demo-tam', origin: 'demo', name: 'Tam Oakhollow', addedAt: 1, level: '2', spanMm: 165, outer: 'allow', inner: 'interval', repeat: 'keep', keysKnown: ['C-major', 'G-major', 'D-major', 'F-major'] },
  { id: 'demo-bria', origin: 'demo', name: 'Bria Lockett', addedAt: 2, level: '4', spanMm: 190, outer: 'allow', inner: 'black', repeat: 'keep', keysKnown: ['C-major', 'G-major', 'D-major', 'A-major', 'F-major', 'A-minor', 'E-minor'] },
];
