import { recordName } from '../records/place';

/** What is typed and not kept yet stays in this tab, also over a reload, under names that begin so. */
const PREFIX = 'new-thumb-form/';

/** Under which name words that are typed stay in this tab. `field` says what they are, and of whom: `lesson/<pupil>/<day>`. */
export function typedPlace(field: string): string {
  return PREFIX + field;
}

/** Words that are about records which went, by the names of these, go too. */
export function forgetTyped(records: ReadonlySet<string>): void {
  for (const place of Object.keys(sessionStorage))
    if (place.startsWith(PREFIX) && records.has(recordOf(place.slice(PREFIX.length)))) sessionStorage.removeItem(place);
}

/** The record that a field is about: a card, or the pupil. */
function recordOf(field: string): string {
  const [kind, ...rest] = field.split('/');
  if (kind === 'card-note') return recordName({ table: 'plan', id: rest.join('/') });
  return recordName({ table: 'pupils', id: (kind === 'lesson' ? rest.slice(0, -1) : rest).join('/') });
}
