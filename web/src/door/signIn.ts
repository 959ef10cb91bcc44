import { push, router } from 'svelte-spa-router';

const BACK = 'apodex-back';

/** To the page where one signs in; from there one comes back to where one was. */
export function goToSignIn(): void {
  if (/^\/(sign-in|welcome|pickup)/.test(router.location)) return;
  sessionStorage.setItem(BACK, router.location);
  void push('/sign-in');
}

export async function goBack(): Promise<void> {
  const back = sessionStorage.getItem(BACK);
  sessionStorage.removeItem(BACK);
  await push(back && back !== '/sign-in' ? back : '/');
}
