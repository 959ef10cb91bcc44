/** Drawing maths of waveforms, apart from drawing. A tile holds lows and highs of up to 1024 bins of 4^zoom frames. */

export const BINS_PER_TILE = 1024;
export const COARSEST_ZOOM = 12;

export interface Tile {
  /** 16-bit lows and highs, channel after channel. */
  values: Int16Array;
  channels: number;
  bins: number;
}

export function toTile(buffer: ArrayBuffer, channels: number): Tile {
  const values = new Int16Array(buffer);
  return { values, channels, bins: values.length / (2 * channels) };
}

/** The coarsest zoom whose bins are not wider than a column of `framesPerColumn`. */
export function zoomFor(framesPerColumn: number): number {
  const zoom = Math.floor(Math.log(Math.max(1, framesPerColumn)) / Math.log(4) + 1e-9);
  return Math.min(COARSEST_ZOOM, Math.max(0, zoom));
}

export const framesPerBin = (zoom: number): number => 4 ** zoom;

/**
 * Lowest and highest value, from -1 to 1, of channels `first` to `first + count - 1` over bins `[from, to)`.
 * Writes both into `out`; false when a tile is missing.
 */
export function extremes(
  tileAt: (index: number) => Tile | undefined,
  from: number,
  to: number,
  first: number,
  count: number,
  out: Float32Array,
): boolean {
  let low = Infinity;
  let high = -Infinity;
  for (let bin = from; bin < to; bin++) {
    const tile = tileAt(Math.floor(bin / BINS_PER_TILE));
    if (!tile) return false;
    const inTile = bin % BINS_PER_TILE;
    if (inTile >= tile.bins) break;
    for (let c = first; c < first + count; c++) {
      const at = 2 * (c * tile.bins + inTile);
      low = Math.min(low, tile.values[at]!);
      high = Math.max(high, tile.values[at + 1]!);
    }
  }
  out[0] = low === Infinity ? 0 : low / 32767;
  out[1] = high === -Infinity ? 0 : high / 32767;
  return true;
}
