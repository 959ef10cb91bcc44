import client, { answer, Refusal } from '../api/client';
import type { Session, SessionEdit, SessionState } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import { holdsOn } from './conflict';
import type { Tempo } from '../time/tempo';
import { Turns } from './turns';

/** The session that is open, as the server has it; edits go there and come back. */
export class SessionStore {
  state = $state.raw<SessionState>();
  failure = $state<string>();
  busy = $state(false);
  private readonly turns = new Turns();

  constructor(readonly id: string) {
    void this.load();
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

  async load(): Promise<void> {
    try {
      this.state = await answer(client.GET('/api/sessions/{id}', { params: { path: { id: this.id } } }));
      this.failure = undefined;
    } catch (thrown) {
      this.failure = (thrown as Error).message;
    }
  }

  /** Makes an edit; a refusal is thrown for the field that asked, unless somebody else was faster. */
  edit(edit: SessionEdit): Promise<void> {
    return this.turns.take(() => this.make(edit));
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
    await this.step(() =>
      client.POST('/api/sessions/{id}/edits', {
        params: { path: { id: this.id } },
        body: { revision: this.state!.revision, edit },
        keepalive,
      }),
    );
  }

  undo = () => this.quietly('/api/sessions/{id}/undo');
  redo = () => this.quietly('/api/sessions/{id}/redo');

  private async quietly(path: '/api/sessions/{id}/undo' | '/api/sessions/{id}/redo'): Promise<void> {
    if (!this.state || this.busy) return;
    try {
      await this.step(() =>
        client.POST(path, { params: { path: { id: this.id } }, body: { revision: this.state!.revision } }),
      );
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  private async step(send: () => Promise<{ data?: SessionState; error?: unknown; response: Response }>): Promise<void> {
    this.busy = true;
    try {
      this.state = await answer(send());
    } catch (thrown) {
      if (thrown instanceof Refusal && thrown.problem.current) this.state = thrown.problem.current as SessionState;
      throw thrown;
    } finally {
      this.busy = false;
    }
  }
}
