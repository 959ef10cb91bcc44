import { toProblem } from '../lib/api/client';
import type { Imported } from '../lib/api/types';
import { shares } from './share';
import { UploadPace } from './uploadPace';

export interface Arrival {
  name: string;
  size: number;
  /** 0 to 1 */
  share: number;
  state: 'arriving' | 'reading' | 'in' | 'refused';
  reason?: string;
}

/** One drop on its way to the server: every file's progress, then what became of it. */
export class Arrivals {
  files = $state<Arrival[]>([]);
  state = $state<'arriving' | 'reading' | 'done' | 'failed'>('arriving');
  imported = $state.raw<Imported>();
  /** Why nothing came of it. */
  failure = $state<string>();
  /** Refusals of files that lay inside zips. */
  fromZips = $state<{ file: string; reason: string }[]>([]);
  /** Bytes a second, and what the rest takes; undefined until it is known. */
  perSecond = $state<number>();
  secondsLeft = $state<number>();
  private readonly pace = new UploadPace();
  private readonly request = new XMLHttpRequest();

  constructor(
    private readonly dropped: File[],
    private readonly whenDone: (arrivals: Arrivals) => void,
    /** The folder they lay in. */
    private readonly folder?: string,
  ) {
    this.files = dropped.map((file) => ({ name: file.name, size: file.size, share: 0, state: 'arriving' }));
  }

  get total(): number {
    return this.files.reduce((sum, file) => sum + file.size, 0);
  }

  send(): void {
    const form = new FormData();
    if (this.folder) form.append('folder', this.folder);
    this.dropped.forEach((file) => form.append('file', file, file.name));
    this.request.upload.onprogress = (event) => this.sent(event.loaded);
    this.request.upload.onload = () => this.allSent();
    this.request.onload = () => this.answered();
    this.request.onerror = () => this.fail('The connection broke off; nothing was kept. Drop the files again.');
    this.request.open('POST', '/api/sessions/import');
    this.request.send(form);
  }

  cancel(): void {
    this.request.abort();
  }

  private sent(bytes: number): void {
    this.pace.told(bytes, performance.now());
    this.perSecond = this.pace.perSecond;
    this.secondsLeft = this.pace.secondsLeft(this.total);
    shares(
      this.files.map((file) => file.size),
      bytes,
    ).forEach((share, i) => {
      const file = this.files[i]!;
      file.share = share;
      if (share === 1) file.state = 'reading';
    });
  }

  private allSent(): void {
    this.state = 'reading';
    this.files.forEach((file) => {
      file.share = 1;
      file.state = 'reading';
    });
  }

  private answered(): void {
    let body: unknown;
    try {
      body = JSON.parse(this.request.responseText);
    } catch {
      body = undefined;
    }
    if (this.request.status === 201) {
      this.imported = body as Imported;
      this.settle(this.imported.refused);
      this.state = 'done';
    } else {
      const problem = toProblem(this.request.status, body);
      this.settle(problem.refused ?? []);
      this.fail(problem.detail);
    }
    this.whenDone(this);
  }

  private settle(refused: { file: string; reason: string }[]): void {
    const open = [...refused];
    this.files.forEach((file) => {
      const at = open.findIndex((refusal) => refusal.file === file.name || refusal.file === file.name.normalize('NFC'));
      const refusal = at < 0 ? undefined : open.splice(at, 1)[0];
      file.state = refusal || !this.imported ? 'refused' : 'in';
      file.reason = refusal?.reason;
    });
    this.fromZips = open;
  }

  private fail(words: string): void {
    this.failure = words;
    this.state = 'failed';
  }
}
