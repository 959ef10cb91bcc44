import type { Station } from '../api/types';

/** Where files are taken, in the order of the signal. */
export const STATIONS: { station: Station; name: string; words: string }[] = [
  { station: 'raw', name: 'Raw', words: 'clips only' },
  { station: 'shaped', name: 'Shaped', words: 'kept inserts' },
  { station: 'inserts', name: 'Inserts', words: 'all inserts' },
  { station: 'fader', name: 'Fader', words: 'level + pan' },
  { station: 'bus', name: 'Bus', words: 'through groups' },
  { station: 'mix', name: 'Mix', words: 'through the mix' },
];

/** What a station is called. */
export const stationName = (station: Station) => STATIONS.find((each) => each.station === station)!.name;
