import { BINS_PER_TILE, toTile, type Tile } from './bins';

const AGAIN_MS = 5_000;

/** Fetches waveform tiles once and keeps them; tells listeners when one has come. */
class Tiles {
  private readonly kept = new Map<string, Tile>();
  private readonly asked = new Set<string>();
  private readonly listeners = new Set<() => void>();

  /** The tile, or undefined while it is on its way. */
  get(recording: string, channels: number, zoom: number, index: number): Tile | undefined {
    const key = `${recording}/waveform/${zoom}/${index}`;
    const tile = this.kept.get(key);
    if (!tile && !this.asked.has(key)) void this.fetch(key, channels);
    return tile;
  }

  /** Calls back whenever a tile has come; returns how to stop that. */
  onArrival(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  private async fetch(key: string, channels: number): Promise<void> {
    this.asked.add(key);
    try {
      const response = await fetch(`/api/recordings/${key}`);
      if (!response.ok) throw new Error(response.statusText);
      this.kept.set(key, toTile(await response.arrayBuffer(), channels));
    } catch {
      await new Promise((wait) => setTimeout(wait, AGAIN_MS));
      this.asked.delete(key); // the next drawing asks again
    }
    this.listeners.forEach((listener) => listener());
  }
}

export const tiles = new Tiles();
export { BINS_PER_TILE };
