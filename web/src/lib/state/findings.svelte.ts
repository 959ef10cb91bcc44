import { untrack } from 'svelte';
import client, { answer } from '../api/client';
import type { FindingsSummary, Found, Proposed, Remedy, Report } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import type { HandoffStore } from './handoff.svelte';
import { Served } from './served.svelte';
import type { SessionStore } from './session.svelte';

const AGAIN_MS = 700;

/** Edits of a held key come fast; the session is looked over when they pause. */
const SOON_MS = 150;

/** How many findings come at a time: a large session has thousands. */
const PAGE = 100;

/** What was found in the session, and what is proposed; looks again until every recording has been measured. */
export class FindingsStore {
  by = $state<'worst' | 'row'>('worst');
  /** Whether somebody looks at the findings themselves: all that views besides Prepare ask for is how much waits. */
  looking = $state(false);
  private count = $state(PAGE);
  private readonly whole = new Served<Report>();
  private readonly counts = new Served<FindingsSummary>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly session: SessionStore,
    private readonly handoff: HandoffStore,
  ) {}

  get report(): Report | undefined {
    return this.whole.data;
  }

  get summary(): FindingsSummary | undefined {
    return this.looking ? this.whole.data : this.counts.data;
  }

  get failure(): string | undefined {
    return this.looking ? this.whole.failure : this.counts.failure;
  }

  get open(): Found[] {
    return this.report?.findings.filter((found) => !found.dismissed) ?? [];
  }

  get left(): Found[] {
    return this.report?.findings.filter((found) => found.dismissed) ?? [];
  }

  get names(): Proposed[] {
    return this.report?.names ?? [];
  }

  /** How many more there are than the report tells. */
  get untold(): number {
    const { open, left, findings } = this.report ?? { open: { stops: 0, look: 0, know: 0 }, left: 0, findings: [] };
    return open.stops + open.look + open.know + left - findings.length;
  }

  more(): void {
    this.count += PAGE;
  }

  order(by: 'worst' | 'row'): void {
    this.by = by;
    this.count = PAGE;
  }

  /** Asks for what is looked at, about the session and the plan as they stand. To be called in an effect. */
  follow(): void {
    const { looking, by, count } = this;
    const handoff = this.handoff.id;
    void [this.session.state?.revision, this.handoff.state?.revision];
    if (!this.session.state || !(this.handoff.state || this.handoff.failure)) return;
    clearTimeout(this.timer);
    const known = untrack(() => this.summary); // that something came is no reason to ask again
    this.timer = setTimeout(() => this.ask(handoff, looking, by, count), known ? SOON_MS : 0);
  }

  private ask(handoff: string | undefined, looking: boolean, by: 'worst' | 'row', count: number): void {
    const path = { sessionId: this.session.id };
    const key = ['session', this.session.id, 'findings', handoff];
    const again = ({ unmeasured }: FindingsSummary) => (unmeasured > 0 ? AGAIN_MS : undefined);
    if (looking) {
      this.counts.about(undefined);
      const params = { path, query: { handoff, by, count } };
      void this.whole.look({
        key: [...key, by, count],
        ask: (signal) => answer(client.GET('/api/sessions/{sessionId}/findings', { params, signal })),
        again,
      });
    } else {
      this.whole.about(undefined);
      const params = { path, query: { handoff } };
      void this.counts.look({
        key: [...key, 'summary'],
        ask: (signal) => answer(client.GET('/api/sessions/{sessionId}/findings/summary', { params, signal })),
        again,
      });
    }
  }

  /** Asks once more, as it was asked last. */
  load(): Promise<void> {
    return this.looking ? this.whole.load() : this.counts.load();
  }

  close(): void {
    clearTimeout(this.timer);
    this.whole.close();
    this.counts.close();
  }

  /** Takes a remedy: an edit of the session, or an adjustment of the handoff. */
  async take(found: Found, remedy: Remedy): Promise<void> {
    try {
      if (remedy.subject === 'session') {
        const params = { path: { sessionId: this.session.id } };
        await this.session.changed((revision) =>
          client.POST('/api/sessions/{sessionId}/findings/take', {
            params,
            body: {
              revision,
              handoff: this.handoff.id ?? null,
              key: found.finding.key,
              seen: found.seen,
              remedy: found.finding.remedies.indexOf(remedy),
            },
          }),
        );
        await this.handoff.load();
      } else if (remedy.adjustment) {
        await this.handoff.adjust(remedy.adjustment);
      }
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  async takeAllThatIsSafe(): Promise<void> {
    try {
      const params = { path: { sessionId: this.session.id } };
      await this.session.changed((revision) =>
        client.POST('/api/sessions/{sessionId}/findings/safe', {
          params,
          body: { revision, handoff: this.handoff.id ?? null },
        }),
      );
      await this.handoff.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  async leave(found: Found): Promise<void> {
    await this.post(() =>
      client.POST('/api/sessions/{sessionId}/findings/leave', {
        params: { path: { sessionId: this.session.id } },
        body: { key: found.finding.key, seen: found.seen },
      }),
    );
  }

  async restore(found: Found): Promise<void> {
    await this.post(() =>
      client.POST('/api/sessions/{sessionId}/findings/restore', {
        params: { path: { sessionId: this.session.id } },
        body: { key: found.finding.key },
      }),
    );
  }

  private async post(send: () => Promise<{ data?: unknown; error?: unknown; response: Response }>): Promise<void> {
    try {
      await answer(send());
      await this.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
}
