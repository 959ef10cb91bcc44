import client, { answer, Refusal } from '../lib/api/client';
import type { ClipListForm, Correction, Intake, IntakeFile, IntakeState, Made, Question } from '../lib/api/types';
import { toasts } from '../lib/chrome/toasts.svelte';
import { Served } from '../lib/state/served.svelte';
import { Turns } from '../lib/state/turns';

type Answered = Parameters<typeof answer<IntakeState>>[0];

/** An intake that is open: what came, what is open about it, and what is put right. */
export class IntakeStore {
  busy = $state(false);
  /** Ids of the files that are looked at. */
  chosen = $state.raw<readonly string[]>([]);
  private readonly served: Served<IntakeState>;
  private readonly turns = new Turns();

  constructor(readonly id: string) {
    this.served = new Served({
      key: ['intake', id],
      ask: (signal) => answer(client.GET('/api/intakes/{id}', { params: { path: { id } }, signal })),
    });
  }

  get state(): IntakeState | undefined {
    return this.served.data;
  }

  get failure(): string | undefined {
    return this.served.failure;
  }

  get intake(): Intake | undefined {
    return this.state?.intake;
  }

  get questions(): Question[] {
    return this.state?.questions ?? [];
  }

  get files(): IntakeFile[] {
    return this.intake?.files.filter((file) => this.chosen.includes(file.id)) ?? [];
  }

  get reference(): IntakeFile | undefined {
    return this.intake?.files.find((file) => file.seat.use === 'reference');
  }

  load = (): Promise<void> => this.served.load();

  close(): void {
    this.served.close();
  }

  correct(correction: Correction): Promise<void> {
    return this.change((revision) =>
      client.POST('/api/intakes/{id}/corrections', {
        params: { path: { id: this.id } },
        body: { revision, correction },
      }),
    );
  }

  /** Reads a table that came as a list. */
  read(file: string, form: ClipListForm, remembered: 'once' | 'forTheseHeadings'): Promise<void> {
    return this.change((revision) =>
      client.POST('/api/intakes/{id}/tables/{file}', {
        params: { path: { id: this.id, file } },
        body: { revision, form, remembered },
      }),
    );
  }

  undo = (): Promise<void> =>
    this.change((revision) =>
      client.POST('/api/intakes/{id}/undo', { params: { path: { id: this.id } }, body: { revision } }),
    );

  redo = (): Promise<void> =>
    this.change((revision) =>
      client.POST('/api/intakes/{id}/redo', { params: { path: { id: this.id } }, body: { revision } }),
    );

  /** Each change is made from what the one before left. What goes wrong is said; nothing is lost by it. */
  private change(ask: (revision: number) => Answered): Promise<void> {
    return this.turns.take(async () => {
      this.busy = true;
      try {
        this.served.set(await answer(ask(this.state!.revision)));
      } catch (thrown) {
        if (thrown instanceof Refusal && thrown.problem.current)
          this.served.set(thrown.problem.current as unknown as IntakeState);
        toasts.wrong(thrown);
      } finally {
        this.busy = false;
      }
    });
  }

  /** Makes the session, or adds to the one that was open; gives nothing when that could not be. */
  async make(): Promise<Made | undefined> {
    let made: Made | undefined;
    await this.turns.take(async () => {
      this.busy = true;
      try {
        const path = { id: this.id };
        const body = { revision: this.state!.revision };
        made = await answer(client.POST('/api/intakes/{id}/session', { params: { path }, body }));
      } catch (thrown) {
        toasts.wrong(thrown);
        await this.load();
      } finally {
        this.busy = false;
      }
    });
    return made;
  }

  async giveUp(): Promise<void> {
    await answer(client.DELETE('/api/intakes/{id}', { params: { path: { id: this.id } } }));
  }
}
