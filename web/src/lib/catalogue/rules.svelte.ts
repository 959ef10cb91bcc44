import client, { answer } from '../api/client';
import type { Rules } from '../api/types';
import { Served } from '../state/served.svelte';

type Bounded = { [K in keyof Rules]: Rules[K] extends { lowest: number } ? K : never }[keyof Rules];

/** What the server holds values and names to, so that fields can say it before it does. */
class RulesOfTheHouse {
  private readonly served = new Served<Rules>({
    key: ['rules'],
    ask: (signal) => answer(client.GET('/api/rules', { signal })),
    lasting: true,
  });

  get roles(): Rules['roles'] {
    return this.served.data?.roles ?? [];
  }

  /** For a field of numbers: everything goes until it is known what does. */
  bounds(of: Bounded): { lowest: number; highest: number } {
    return this.served.data?.[of] ?? { lowest: -Infinity, highest: Infinity };
  }

  /** In characters. */
  get longestName(): number | undefined {
    return this.served.data?.longestName;
  }

  get longestNote(): number | undefined {
    return this.served.data?.longestNote;
  }
}

export const rules = new RulesOfTheHouse();
