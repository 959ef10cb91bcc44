import client, { answer } from '../api/client';
import type { Effect } from '../api/types';

/** The effects there are, fetched once. */
class EffectCatalogue {
  all = $state.raw<Effect[]>([]);
  private asked = false;

  find(id: string): Effect | undefined {
    if (!this.asked) {
      this.asked = true;
      answer(client.GET('/api/effects')).then(
        (effects) => (this.all = effects),
        () => (this.asked = false),
      );
    }
    return this.all.find((effect) => effect.id === id);
  }
}

export const effects = new EffectCatalogue();
