/** How a piece is moved for some player where nothing else is asked for. */
export const usualMove = (player) => ({
  direction: 'nearest',
  octaves: { right: 0, left: 0 },
  spelling: 'strict',
  courtesy: 'bar',
  sixth: 'natural',
  seventh: 'raised',
  player,
  keyboard: 88,
  respelled: [],
  decisions: { fingers: [], aside: [] },
});
