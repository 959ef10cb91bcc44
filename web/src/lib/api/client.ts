import createClient from 'openapi-fetch';
import { tokenHeader } from './csrf';
import type { paths } from './schema.gen';

const client = createClient<paths>({ baseUrl: '/' });
client.use({
  onRequest({ request }) {
    if (request.method !== 'GET')
      Object.entries(tokenHeader()).forEach(([name, value]) => request.headers.set(name, value));
    return request;
  },
});
export default client;

const UNKNOWN = 401;
/** Called when the server does not know who asks: somebody signed out, here or elsewhere. */
export const whenUnknown: { call: () => void } = { call: () => {} };

/** What the server answers when it refuses: one sentence, and what it is about. */
export interface Problem {
  status: number;
  detail: string;
  field?: string;
  current?: unknown;
  refused?: { file: string; reason: string }[];
}

export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** Turns an answer into its data or throws the refusal. */
export async function answer<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result;
  try {
    result = await request;
  } catch {
    throw new Refusal({ status: 0, detail: 'The server does not answer. Is it still running?' });
  }
  if (result.response.status === UNKNOWN && !new URL(result.response.url, location.href).pathname.endsWith('/sign-in'))
    whenUnknown.call();
  if (result.error !== undefined) throw new Refusal(toProblem(result.response.status, result.error));
  return result.data as T;
}

export function toProblem(status: number, body: unknown): Problem {
  const problem = (typeof body === 'object' && body !== null ? body : {}) as Partial<Problem>;
  return { ...problem, status, detail: problem.detail ?? `The server answered ${status} without saying why.` };
}
