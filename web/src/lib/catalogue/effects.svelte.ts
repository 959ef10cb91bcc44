import client, { answer } from '../api/client';
import type { Effect } from '../api/types';
import { Served } from '../state/served.svelte';

/** The effects there are. */
class EffectCatalogue {
  private readonly served = new Served<Effect[]>({
    key: ['effects'],
    ask: (signal) => answer(client.GET('/api/effects', { signal })),
    lasting: true,
  });

  get all(): Effect[] {
    return this.served.data ?? [];
  }

  find(id: string): Effect | undefined {
    return this.all.find((effect) => effect.id === id);
  }
}

export const effects = new EffectCatalogue();
