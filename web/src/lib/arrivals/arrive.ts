import { DetailedError, defaultOptions, Upload } from 'tus-js-client';
import { Refusal, toProblem } from '../api/client';
import { tokenHeader } from '../api/csrf';
import { fingerprint } from './fingerprint';
import { folderOf } from './folders';

const ENDPOINT = '/api/arrivals';
/** A line that is away for two minutes is waited for; what came on anew starts from the first again. */
const AGAIN_MS = [0, 500, 1_000, 2_000, 4_000, 8_000, 15_000, 30_000, 60_000];
/** Locked: the server still holds the line that broke (RFC 4918, section 11.3). */
const LOCKED = 423;
const NO_ROOM = 507;

export interface OnTheWay {
  /** Whether the drop holds the same file twice: then neither goes on from what came before, which may be the other's. */
  twin: boolean;
  /** Bytes of the file that have left. */
  sent(bytes: number): void;
  /** The line is away and is tried again. */
  broke(): void;
}

/**
 * Sends a file by tus 1.0.0 and gives its id. What came of the same file before, in this window or another, is not sent
 * again.
 *
 * @throws Refusal of the server; one of status 0 when the line stays away: to be called again; or what aborted it
 */
export async function arrive(file: File, way: OnTheWay, signal: AbortSignal): Promise<string> {
  const upload = new Upload(file, { ...options(file), storeFingerprintForResuming: !way.twin });
  const [before] = way.twin ? [] : await upload.findPreviousUploads();
  if (before) upload.resumeFromPreviousUpload(before);
  return new Promise((resolve, reject) => {
    Object.assign(upload.options, {
      onProgress: (bytes: number) => way.sent(bytes),
      onSuccess: () => resolve(upload.url!.split('/').at(-1)!),
      onError: (error: Error) => reject(refusalOf(error)),
      onShouldRetry: (error: DetailedError) => {
        const again = isPassing(statusOf(error));
        if (again) way.broke();
        return again;
      },
    });
    const stop = () => {
      void upload.abort(true).catch(() => undefined);
      reject(signal.reason as Error);
    };
    if (signal.aborted) stop();
    else upload.start();
    signal.addEventListener('abort', stop);
  });
}

const options = (file: File) => ({
  endpoint: ENDPOINT,
  retryDelays: AGAIN_MS,
  metadata: { filename: file.name, folder: folderOf(file) },
  fingerprint,
  onBeforeRequest: (request: { setHeader(name: string, value: string): void }) =>
    Object.entries(tokenHeader()).forEach(([name, value]) => request.setHeader(name, value)),
});

/** Something was made of the files, or never will be: the next that are the same come anew. */
export async function forget(files: File[], ids: string[], kept: boolean): Promise<void> {
  const storage = defaultOptions.urlStorage!;
  for (const file of files) {
    const known = await storage.findUploadsByFingerprint(await fingerprint(file));
    await Promise.all(known.map((each) => storage.removeUpload(each.urlStorageKey)));
  }
  const headers = { 'Tus-Resumable': '1.0.0', ...tokenHeader() };
  if (!kept) await Promise.all(ids.map((id) => fetch(`${ENDPOINT}/${id}`, { method: 'DELETE', headers })));
}

const statusOf = (error: DetailedError) => error.originalResponse?.getStatus() ?? 0;

/** Whether what went wrong may be over the next time. */
export const isPassing = (status: number) => status === LOCKED || status < 400 || (status >= 500 && status !== NO_ROOM);

function refusalOf(error: Error): Refusal {
  const response = error instanceof DetailedError ? error.originalResponse : undefined;
  const status = response?.getStatus() ?? 0;
  if (isPassing(status)) return new Refusal({ status: 0, detail: 'The line broke off.' });
  let body: unknown;
  try {
    body = JSON.parse(response!.getBody());
  } catch {
    body = undefined;
  }
  return new Refusal(toProblem(status, body));
}
