import client, { answer } from '../api/client';
import type { FindingsSummary, Found, Proposed, Remedy, Report } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import type { HandoffStore } from './handoff.svelte';
import type { SessionStore } from './session.svelte';

const AGAIN_MS = 700;

/** How many findings come at a time: a large session has thousands. */
const PAGE = 100;

/** What was found in the session, and what is proposed; looks again until every recording has been measured. */
export class FindingsStore {
  report = $state.raw<Report>();
  /** How much waits; all that views besides Prepare ask for. */
  summary = $state.raw<FindingsSummary>();
  /** Whether somebody looks at the findings themselves. */
  looking = $state(false);
  failure = $state<string>();
  by = $state<'worst' | 'row'>('worst');
  private count = PAGE;
  private asking = false;
  private again = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly session: SessionStore,
    private readonly handoff: HandoffStore,
  ) {}

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

  async more(): Promise<void> {
    this.count += PAGE;
    await this.load();
  }

  async order(by: 'worst' | 'row'): Promise<void> {
    this.by = by;
    this.count = PAGE;
    await this.load();
  }

  /** Whether what is shown is about the session and the plan as they stand. */
  get isCurrent(): boolean {
    const known = this.looking ? this.report : this.summary;
    if (!known) return false;
    // what is newer than the page is current too: another window is ahead, and asking again changes nothing
    return (
      known.sessionRevision >= (this.session.state?.revision ?? 0) &&
      known.handoffRevision >= (this.handoff.state?.revision ?? 0)
    );
  }

  get isReady(): boolean {
    return !!this.session.state && (!!this.handoff.state || !!this.handoff.failure);
  }

  async load(): Promise<void> {
    if (this.asking) {
      this.again = true;
      return;
    }
    this.asking = true;
    clearTimeout(this.timer);
    try {
      do {
        this.again = false;
        const params = { path: { sessionId: this.session.id }, query: { handoff: this.handoff.id } };
        if (this.looking) {
          const query = { ...params.query, by: this.by, count: this.count };
          this.report = await answer(
            client.GET('/api/sessions/{sessionId}/findings', { params: { ...params, query } }),
          );
          this.summary = this.report;
        } else this.summary = await answer(client.GET('/api/sessions/{sessionId}/findings/summary', { params }));
      } while (this.again);
      this.failure = undefined;
      if (this.summary.unmeasured > 0) this.timer = setTimeout(() => void this.load(), AGAIN_MS);
    } catch (thrown) {
      this.failure = (thrown as Error).message;
    } finally {
      this.asking = false;
    }
  }

  /** Takes a remedy: an edit of the session, or an adjustment of the handoff. */
  async take(found: Found, remedy: Remedy): Promise<void> {
    try {
      if (remedy.subject === 'session') {
        const params = { path: { sessionId: this.session.id } };
        const body = {
          revision: this.session.state!.revision,
          handoff: this.handoff.id ?? null,
          key: found.finding.key,
          seen: found.seen,
          remedy: found.finding.remedies.indexOf(remedy),
        };
        this.session.state = await answer(client.POST('/api/sessions/{sessionId}/findings/take', { params, body }));
        await this.handoff.load();
      } else if (remedy.adjustment) {
        await this.handoff.adjust(remedy.adjustment);
      }
      await this.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  async takeAllThatIsSafe(): Promise<void> {
    try {
      const params = { path: { sessionId: this.session.id } };
      const body = { revision: this.session.state!.revision, handoff: this.handoff.id ?? null };
      this.session.state = await answer(client.POST('/api/sessions/{sessionId}/findings/safe', { params, body }));
      await this.handoff.load();
      await this.load();
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
