<script lang="ts">
  import Router, { router } from 'svelte-spa-router';
  import { goToSignIn } from './door/signIn';
  import { whenUnknown } from './lib/api/client';
  import { toasts } from './lib/chrome/toasts.svelte';
  import { wrap } from 'svelte-spa-router/wrap';
  import ViewMissing from './lib/ViewMissing.svelte';
  import './lib/chrome/theme.svelte';

  const SOON_MS = 1_500;
  whenUnknown.call = goToSignIn;

  /** Each view is a piece of its own: who only fetches a parcel loads nothing else. */
  const ofSession = {
    '/s/:id': () => import('./session/SessionView.svelte'),
    '/s/:id/prepare': () => import('./prepare/PrepareView.svelte'),
    '/s/:id/plan': () => import('./plan/PlanView.svelte'),
    '/s/:id/print': () => import('./print/PrintView.svelte'),
    '/s/:id/proof': () => import('./proof/ProofView.svelte'),
    '/s/:id/parcel': () => import('./parcel/ParcelView.svelte'),
  };
  const pieces = {
    '/': () => import('./sessions/SessionsView.svelte'),
    ...ofSession,
    '/intake/:id': () => import('./intake/IntakeView.svelte'),
    '/pickup/:token': () => import('./pickup/PickupView.svelte'),
    '/brief/:code': () => import('./brief/BriefView.svelte'),
    '/sign-in': () => import('./door/SignInView.svelte'),
    '/welcome/:token': () => import('./door/WelcomeView.svelte'),
    '/join/:token': () => import('./door/JoinView.svelte'),
    '/account': () => import('./account/AccountView.svelte'),
    '/space': () => import('./space/SpaceView.svelte'),
    '/outbox': () => import('./outbox/OutboxView.svelte'),
    '/guide': () => import('./guide/GuideView.svelte'),
    '*': () => import('./sessions/SessionsView.svelte'),
  };
  const toastStack = () => import('./lib/chrome/Toasts.svelte');
  const routes = Object.fromEntries(
    Object.entries(pieces).map(([path, load]) => [
      path,
      wrap({ asyncComponent: () => load().catch(() => ({ default: ViewMissing })) as ReturnType<typeof load> }),
    ]),
  );

  /** Views hold on to what they were opened with: another session is another page. */
  const session = $derived(/^\/(?:s|intake)\/([^/]+)/.exec(router.location ?? '')?.[1]);
  const isSession = $derived(router.location.startsWith('/s/'));

  const isDesk = $derived(!router.location.startsWith('/pickup'));

  /** Whoever looks at a session will look at its other views, also when the server is away for a moment; that it is must be told. */
  $effect(() => {
    const soon = [...(isDesk ? [toastStack] : []), ...(isSession ? Object.values(ofSession) : [])];
    const timer = setTimeout(() => soon.forEach((load) => void load().catch(() => {})), SOON_MS);
    return () => clearTimeout(timer);
  });
</script>

{#if isDesk}{#await import('./lib/chrome/Explained.svelte') then { default: Explained }}<Explained />{/await}{/if}
{#key session}<Router {routes} />{/key}
{#if toasts.list.length}
  {#await toastStack() then { default: Toasts }}<Toasts />{:catch}<!-- nothing to show it with -->{/await}
{/if}
