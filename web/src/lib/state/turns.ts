/** Work that is done one after the other, each made from what the one before left. */
export class Turns {
  private last: Promise<unknown> = Promise.resolve();

  /** What goes wrong is told to who asked for it, and is in nobody's way. */
  take<T>(work: () => Promise<T>): Promise<T> {
    const done = this.last.then(work);
    this.last = done.catch(() => undefined);
    return done;
  }

  /** Resolves once all that was asked so far is done. */
  async over(): Promise<void> {
    await this.last;
  }
}
