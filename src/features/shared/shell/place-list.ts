/** The places of the application, in a teacher’s order. Those of the menu stand at the head of every page; all of them are found by their words. */
export const MENU = [
  { href: '/', name: 'shelf' },
  { href: '/bench', name: 'bench' },
  { href: '/survey', name: 'survey' },
  { href: '/atlas', name: 'atlas' },
  { href: '/pupils', name: 'pupils' },
  { href: '/week', name: 'week' },
  { href: '/settings', name: 'settings' },
] as const;

export const PLACES = [
  ...MENU,
  { href: '/fit', name: 'fit' },
  { href: '/lesson', name: 'lesson' },
  { href: '/practice', name: 'practice' },
  { href: '/handout', name: 'paper' },
  { href: '/about', name: 'about' },
] as const;

/** The pages of one pupil. */
export const PUPIL_PAGES = [
  { href: '/pupil', name: 'page' },
  { href: '/lesson', name: 'lesson' },
  { href: '/week', name: 'week' },
  { href: '/record', name: 'record' },
] as const;
