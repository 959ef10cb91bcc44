import type { Row } from '../lib/api/types';

export const ROW_HEIGHT = 37;
export const LANE_HEIGHT = 26;
export const RULER_HEIGHT = 62;

/** Where a row stands below the ruler, and how many of its takes are folded out under it. */
export interface Place {
  row: Row;
  top: number;
  height: number;
  lanes: number;
}

export function places(rows: Row[], foldedOut: ReadonlySet<string>): Place[] {
  let top = 0;
  return rows.map((row) => {
    const lanes = row.type === 'audio' && foldedOut.has(row.id) ? row.takes.length : 0;
    const place = { row, top, height: ROW_HEIGHT + lanes * LANE_HEIGHT, lanes };
    top += place.height;
    return place;
  });
}

/** The row at a height below the ruler, and which of its lanes; -1 for the row itself. */
export function placeAt(all: Place[], y: number): { place: Place; lane: number } | undefined {
  let low = 0;
  let high = all.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const place = all[middle]!;
    if (y < place.top) high = middle - 1;
    else if (y >= place.top + place.height) low = middle + 1;
    else
      return {
        place,
        lane:
          Math.floor((y - place.top - ROW_HEIGHT) / LANE_HEIGHT) < 0 || y < place.top + ROW_HEIGHT
            ? -1
            : Math.floor((y - place.top - ROW_HEIGHT) / LANE_HEIGHT),
      };
  }
  return undefined;
}

/** The first and last row to draw. */
export function visible(all: Place[], from: number, to: number): Place[] {
  return all.filter((place) => place.top + place.height > from && place.top < to);
}
