/** What goes in front of the ids of notes on a page, on the screen and on paper: a piece stands there as it was, and as it was moved. */
export const ID_PREFIXES = { before: 'before-', after: 'after-' } as const;
