<script lang="ts">
  import Router, { router } from 'svelte-spa-router';
  import Toasts from './lib/chrome/Toasts.svelte';
  import { wrap } from 'svelte-spa-router/wrap';
  import './lib/chrome/theme.svelte';

  /** Each view is a piece of its own: who only fetches a parcel loads nothing else. */
  const routes = {
    '/': wrap({ asyncComponent: () => import('./sessions/SessionsView.svelte') }),
    '/s/:id': wrap({ asyncComponent: () => import('./session/SessionView.svelte') }),
    '/s/:id/prepare': wrap({ asyncComponent: () => import('./prepare/PrepareView.svelte') }),
    '/s/:id/plan': wrap({ asyncComponent: () => import('./plan/PlanView.svelte') }),
    '/s/:id/print': wrap({ asyncComponent: () => import('./print/PrintView.svelte') }),
    '/s/:id/proof': wrap({ asyncComponent: () => import('./proof/ProofView.svelte') }),
    '/s/:id/parcel': wrap({ asyncComponent: () => import('./parcel/ParcelView.svelte') }),
    '/pickup/:token': wrap({ asyncComponent: () => import('./pickup/PickupView.svelte') }),
    '/guide': wrap({ asyncComponent: () => import('./guide/GuideView.svelte') }),
    '*': wrap({ asyncComponent: () => import('./sessions/SessionsView.svelte') }),
  };

  /** Views hold on to what they were opened with: another session is another page. */
  const session = $derived(/^\/s\/([^/]+)/.exec(router.location ?? '')?.[1]);
</script>

{#key session}<Router {routes} />{/key}
<Toasts />
