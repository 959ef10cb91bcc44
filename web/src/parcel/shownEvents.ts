import type { PickupView } from '../lib/api/types';

type PickupEvent = PickupView['events'][number];
const FETCHES = 2;

/** What is shown of what receivers did, the latest first: everything they said, however often they fetched since, and the last fetches. */
export function shownEvents(events: PickupEvent[]): PickupEvent[] {
  const fetched = events.filter((event) => event.kind === 'fetched').slice(0, FETCHES);
  return events.filter((event) => event.kind === 'arrived' || event.kind === 'problem' || fetched.includes(event));
}
