import client, { answer } from '../api/client';
import type { Brief, BriefDocument, BriefEntry } from '../api/types';
import { Served } from '../state/served.svelte';

/** The briefs there are for one: those that come with Apodex, one's own, and those of the house. */
class Briefs {
  private readonly served = new Served<BriefEntry[]>({
    key: ['briefs'],
    ask: (signal) => answer(client.GET('/api/briefs', { signal })),
  });

  get all(): BriefEntry[] {
    return this.served.data ?? [];
  }

  /** The entry that bears the name of a handoff's brief; the handoff keeps the brief as it was when it was chosen. */
  like(brief: Brief): BriefEntry | undefined {
    return this.all.find((entry) => entry.brief.name === brief.name);
  }

  async create(brief: Brief): Promise<BriefEntry> {
    const made = await answer(client.POST('/api/briefs', { body: brief }));
    await this.served.load();
    return made;
  }

  /** Keeps what somebody sent; what is here already stays one. */
  async takeIn(document: BriefDocument): Promise<BriefEntry> {
    const kept = await answer(client.POST('/api/briefs/file', { body: document }));
    await this.served.load();
    return kept;
  }

  async save(id: string, brief: Brief): Promise<BriefEntry> {
    const saved = await answer(client.PUT('/api/briefs/{id}', { params: { path: { id } }, body: brief }));
    await this.served.load();
    return saved;
  }

  async remove(id: string): Promise<void> {
    await answer(client.DELETE('/api/briefs/{id}', { params: { path: { id } } }));
    await this.served.load();
  }

  /** Lets everybody in the house have it, or nobody else. */
  async share(id: string, shared: boolean): Promise<void> {
    await answer(client.PUT('/api/briefs/{id}/shared', { params: { path: { id } }, body: { shared } }));
    await this.served.load();
  }

  async makeUsual(id: string): Promise<void> {
    await answer(client.POST('/api/briefs/{id}/usual', { params: { path: { id } } }));
    await this.served.load();
  }
}

export const briefs = new Briefs();
