import type { Terms } from '../terms';
import { about } from './about';
import { atlas } from './atlas';
import { bench } from './bench';
import { charts } from './charts';
import { choices } from './choices';
import { devices } from './devices';
import { ear } from './ear';
import { entry } from './entry';
import { fit } from './fit';
import { handout } from './handout';
import { lesson } from './lesson';
import { naming } from './naming';
import { notes } from './notes';
import { offline } from './offline';
import { places } from './places';
import { practice } from './practice';
import { pupils } from './pupils';
import { record } from './record';
import { settings } from './settings';
import { shared } from './shared';
import { shelf } from './shelf';
import { stages } from './stages';
import { stand } from './stand';
import { store } from './store';
import { survey } from './survey';
import { takeIn } from './take-in';
import { tour } from './tour';
import { week } from './week';

/** What stands on the screens, in English, as a teacher calls things. */
export function englishScreens(t: Terms) {
  return {
    about: about(),
    atlas: atlas(),
    bench: bench(t),
    charts: charts(t),
    choices: choices(t),
    devices: devices(),
    ear: ear(t),
    entry: entry(t),
    fit: fit(t),
    handout: handout(),
    lesson: lesson(),
    naming: naming(t),
    notes: notes(t),
    offline: offline(),
    places: places(),
    practice: practice(t),
    pupils: pupils(t),
    record: record(t),
    settings: settings(t),
    shared: shared(t),
    shelf: shelf(t),
    stages: stages(t),
    stand: stand(),
    store: store(),
    survey: survey(t),
    takeIn: takeIn(),
    tour: tour(t),
    week: week(t),
  };
}
