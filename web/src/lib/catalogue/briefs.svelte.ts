import client, { answer } from '../api/client';
import type { Brief, BriefEntry } from '../api/types';

/** The briefs there are, shared by all sessions. */
class Briefs {
  all = $state.raw<BriefEntry[]>([]);

  constructor() {
    void this.load().catch(() => undefined);
  }

  async load(): Promise<void> {
    this.all = await answer(client.GET('/api/briefs'));
  }

  /** The entry that bears the name of a handoff's brief; the handoff keeps the brief as it was when it was chosen. */
  like(brief: Brief): BriefEntry | undefined {
    return this.all.find((entry) => entry.brief.name === brief.name);
  }

  async create(brief: Brief): Promise<BriefEntry> {
    const made = await answer(client.POST('/api/briefs', { body: brief }));
    await this.load();
    return made;
  }

  async save(id: string, brief: Brief): Promise<BriefEntry> {
    const saved = await answer(client.PUT('/api/briefs/{id}', { params: { path: { id } }, body: brief }));
    await this.load();
    return saved;
  }

  async remove(id: string): Promise<void> {
    await answer(client.DELETE('/api/briefs/{id}', { params: { path: { id } } }));
    await this.load();
  }

  async makeUsual(id: string): Promise<void> {
    await answer(client.POST('/api/briefs/{id}/usual', { params: { path: { id } } }));
    await this.load();
  }
}

export const briefs = new Briefs();
