import client, { answer, Refusal } from '../api/client';
import type { Session, SessionEdit, SessionState } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import type { Tempo } from '../time/tempo';
import { holdsOn } from './conflict';
import { Served } from './served.svelte';
import { Turns } from './turns';

/** The session that is open, as the server has it; edits go there and come back. */
export class SessionStore {
  busy = $state(false);
  private readonly served: Served<SessionState>;
  private readonly turns = new Turns();

  constructor(readonly id: string) {
    this.served = new Served({
      key: ['session', id],
      ask: (signal) => answer(client.GET('/api/sessions/{id}', { params: { path: { id } }, signal })),
    });
  }

  get state(): SessionState | undefined {
    return this.served.data;
  }

  get failure(): string | undefined {
    return this.served.failure;
  }

  get session(): Session | undefined {
    return this.state?.session;
  }

  get frames(): number {
    return this.state?.frames ?? 0;
  }

  get tempo(): Tempo | undefined {
    const song = this.session?.song;
    if (!song?.tempo) return undefined;
    return {
      tempos: [{ quarter: 0, quartersPerMinute: song.tempo, way: 'jump' }, ...song.tempoChanges],
      meters: [{ bar: 1, meter: song.meter ?? '4/4' }, ...song.meterChanges],
    };
  }

  load(): Promise<void> {
    return this.served.load();
  }

  close(): void {
    this.served.close();
  }

  /**
   * Makes an edit, given or worked out when its turn comes; a refusal is thrown for the field that asked, unless somebody
   * else was faster. True when there was something to make.
   */
  edit(edit: SessionEdit | (() => SessionEdit | undefined)): Promise<boolean> {
    return this.turns.take(async () => {
      const now = typeof edit === 'function' ? edit() : edit;
      if (now) await this.make(now);
      return !!now;
    });
  }

  /** Each edit is made from what the one before left: a held key sends many. */
  private async make(edit: SessionEdit): Promise<void> {
    const before = this.session!;
    try {
      await this.send(edit);
    } catch (thrown) {
      const conflict = thrown instanceof Refusal && !!thrown.problem.current;
      if (!conflict || !this.session || !holdsOn(edit, before, this.session)) throw thrown;
      await this.send(edit); // somebody changed something else: nothing of theirs or of this is lost
      toasts.say('This session was changed in another window meanwhile; your change was made on top of it.');
    }
  }

  private async send(edit: SessionEdit): Promise<void> {
    // An edit arrives even when the page is left at once; browsers carry up to 64 KiB that way.
    const keepalive = JSON.stringify(edit).length < 60_000;
    await this.step((revision) =>
      client.POST('/api/sessions/{id}/edits', {
        params: { path: { id: this.id } },
        body: { revision, edit },
        keepalive,
      }),
    );
  }

  undo = () => this.quietly('/api/sessions/{id}/undo');
  redo = () => this.quietly('/api/sessions/{id}/redo');

  private async quietly(path: '/api/sessions/{id}/undo' | '/api/sessions/{id}/redo'): Promise<void> {
    if (!this.state || this.busy) return;
    try {
      await this.changed((revision) => client.POST(path, { params: { path: { id: this.id } }, body: { revision } }));
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  /** A change that the server works out, made from what the ones before left. */
  changed(ask: (revision: number) => Answered): Promise<void> {
    return this.turns.take(() => this.step(ask));
  }

  private async step(ask: (revision: number) => Answered): Promise<void> {
    this.busy = true;
    try {
      this.served.set(await answer(ask(this.state!.revision)));
    } catch (thrown) {
      if (thrown instanceof Refusal && thrown.problem.current) this.served.set(thrown.problem.current as SessionState);
      throw thrown;
    } finally {
      this.busy = false;
    }
  }
}

type Answered = Promise<{ data?: SessionState; error?: unknown; response: Response }>;
