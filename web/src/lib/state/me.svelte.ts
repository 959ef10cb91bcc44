import client, { answer } from '../api/client';
import type { Me } from '../api/types';
import { queries } from './queries';

/** Who one is here; asked for once, and again after signing in or out. */
class MeStore {
  private known = $state.raw<Me>();
  private asked = false;

  get name(): string | null | undefined {
    this.ask();
    return this.known?.name;
  }

  get atDesk(): boolean {
    this.ask();
    return this.known?.atDesk ?? true;
  }

  get all(): Me | undefined {
    this.ask();
    return this.known;
  }

  /** What was seen as somebody else is forgotten. */
  become(now: Me): void {
    if (this.known && this.known.name !== now.name) queries.clear();
    this.asked = true;
    this.known = now;
  }

  private ask(): void {
    if (this.asked) return;
    this.asked = true;
    void answer(client.GET('/api/me')).then(
      (now) => this.become(now),
      () => (this.asked = false), // the server is away: asked for by the next who looks
    );
  }
}

export const me = new MeStore();
