import { tokenHeader } from '../lib/api/csrf';
import { Refusal, toProblem } from '../lib/api/client';

/** Passkeys, by the Web Authentication standard (W3C, level 3: options and answers as JSON, section 5.1.8 to 5.1.10). */
export const passkeysWork = (): boolean =>
  typeof PublicKeyCredential !== 'undefined' && 'parseCreationOptionsFromJSON' in PublicKeyCredential;

async function ask(path: string, body?: unknown): Promise<Response> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...tokenHeader() },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  if (!response.ok) {
    const problem = toProblem(response.status, await response.json().catch(() => undefined));
    throw new Refusal({
      ...problem,
      detail: path === '/login/webauthn' ? 'This passkey is not known here.' : problem.detail,
    });
  }
  return response;
}

/** Makes one on this device, and tells the server of it. */
export async function addPasskey(label: string): Promise<void> {
  const options = await (await ask('/webauthn/register/options')).json();
  const credential = (await navigator.credentials.create({
    publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(options),
  })) as PublicKeyCredential;
  await ask('/webauthn/register', { publicKey: { credential: credential.toJSON(), label } });
}

/** Signs in with one that this device has. */
export async function signInByPasskey(): Promise<void> {
  const options = await (await ask('/webauthn/authenticate/options')).json();
  const credential = (await navigator.credentials.get({
    publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(options),
  })) as PublicKeyCredential;
  await ask('/login/webauthn', credential.toJSON());
}
