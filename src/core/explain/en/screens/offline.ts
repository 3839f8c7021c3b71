/** Use without a network, and newer versions. */
export const offline = () => ({
  heading: 'Without a network',
  kept: {
    impossible:
      'This browser does not keep New Thumb for use without a network. Private windows do not, nor do addresses that are not secure.',
    waiting: 'New Thumb is kept in this browser in a moment, for use without a network.',
    whole: 'All of New Thumb is in this browser, with its sounds: it works without a network.',
  },
  fetching: (done: number, of: number): string =>
    `New Thumb is being kept in this browser for use without a network: ${done} of ${of} files.`,
  failed: {
    room: 'There is no room in this browser to keep New Thumb. The studio is not touched by that; without a network the pages do not open.',
    network:
      'Not all of New Thumb has come yet. It is tried again at the next visit, and what has come is not fetched twice.',
  },
  version: (version: string): string => `This is version ${version}.`,
  lookForNewer: 'Look for a newer version',
  nothingNewer: 'This is the newest, unless one shows up above in a moment.',
  serverIsAway: 'The server does not answer. What is here goes on working.',
  install: 'Install New Thumb on this device',
  installByMenu:
    'New Thumb can be installed like a program: in the menu of the browser, under “Install” or “Add to home screen”.',
  newerIsThere: 'A newer version of New Thumb is there.',
  newerIsInUse: 'Another tab uses a newer version of New Thumb.',
  everythingIsKept: 'Everything that was done is kept; the page is loaded again.',
  takeNewer: 'Use it now',
});
