import client, { answer } from '../api/client';
import type { Instrument } from '../api/types';
import { Served } from '../state/served.svelte';

/** The instruments there are. */
class InstrumentCatalogue {
  private readonly served = new Served<Instrument[]>({
    key: ['instruments'],
    ask: (signal) => answer(client.GET('/api/instruments', { signal })),
    lasting: true,
  });

  get all(): Instrument[] {
    return this.served.data ?? [];
  }

  find(id: string): Instrument | undefined {
    return this.all.find((instrument) => instrument.id === id);
  }
}

export const instruments = new InstrumentCatalogue();
