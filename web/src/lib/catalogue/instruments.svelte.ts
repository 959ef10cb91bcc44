import client, { answer } from '../api/client';
import type { Instrument } from '../api/types';

/** The instruments there are, fetched once. */
class InstrumentCatalogue {
  private list = $state.raw<Instrument[]>([]);
  private asked = false;

  get all(): Instrument[] {
    if (!this.asked) {
      this.asked = true;
      answer(client.GET('/api/instruments')).then(
        (instruments) => (this.list = instruments),
        () => (this.asked = false),
      );
    }
    return this.list;
  }

  find(id: string): Instrument | undefined {
    return this.all.find((instrument) => instrument.id === id);
  }
}

export const instruments = new InstrumentCatalogue();
