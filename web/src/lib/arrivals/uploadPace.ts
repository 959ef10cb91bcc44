/** Bytes wait in buffers and leave in bursts: only what went over some seconds tells how fast the line is. */
const WINDOW_MS = 5_000;
const LEAST_MS = 1_000;

/** How fast an upload goes, by what left over the last seconds. */
export class UploadPace {
  private seen: { atMs: number; bytes: number }[] = [];

  /** @param bytes that have left so far */
  told(bytes: number, atMs: number): void {
    this.seen.push({ atMs, bytes });
    while (this.seen.length > 2 && this.seen[1]!.atMs <= atMs - WINDOW_MS) this.seen.shift();
  }

  /** Bytes a second; undefined until a second of it has been seen. */
  get perSecond(): number | undefined {
    const first = this.seen[0];
    const last = this.seen.at(-1);
    if (!first || !last || last.atMs - first.atMs < LEAST_MS) return undefined;
    return ((last.bytes - first.bytes) * 1000) / (last.atMs - first.atMs);
  }

  /** Seconds until all have left; undefined while nothing moves. */
  secondsLeft(total: number): number | undefined {
    const rate = this.perSecond;
    return rate ? Math.max(0, total - (this.seen.at(-1)?.bytes ?? 0)) / rate : undefined;
  }
}
