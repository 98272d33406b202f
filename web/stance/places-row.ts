import { TRAVEL_PLACES, type BeforeAndAfter } from '@/core/4-clearance/case/travel-places';

/** A quantity at both ends of the travel and parked, as fitted and with the setup, in words: a row of a table of figures. */
export interface PlacesRow {
  readonly name: string;
  readonly cells: readonly { readonly text: string; readonly after: string }[];
}

const OUT = 'out of reach';

export const placesRow = <State>(
  name: string,
  report: BeforeAndAfter<State>,
  of: (state: State) => string,
): PlacesRow => ({
  name,
  cells: TRAVEL_PLACES.map((place) => {
    const [before, after] = [report.before[place], report.after[place]];
    return { text: before === null ? OUT : of(before), after: after === null ? OUT : of(after) };
  }),
});
