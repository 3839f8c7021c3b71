export const places = () => ({
  shelf: 'The Shelf',
  thereIsNothingAtThis: 'There is nothing at this address',
  itMayBeMistypedOr: 'It may be mistyped, or come from another version of New Thumb. Your pieces are where they were.',
  toAtlas: 'To the Atlas',
  atlas: 'The Atlas',
  bench: 'The Bench',
  entering: 'Entering',
  musicStand: 'The music stand',
  pupilsPage: 'The pupil’s page',
  survey: 'The Survey',
});
