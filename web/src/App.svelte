<script lang="ts">
  import Router, { router } from 'svelte-spa-router';
  import Toasts from './lib/chrome/Toasts.svelte';
  import ParcelView from './parcel/ParcelView.svelte';
  import PrepareView from './prepare/PrepareView.svelte';
  import PickupView from './pickup/PickupView.svelte';
  import PlanView from './plan/PlanView.svelte';
  import PrintView from './print/PrintView.svelte';
  import ProofView from './proof/ProofView.svelte';
  import SessionView from './session/SessionView.svelte';
  import SessionsView from './sessions/SessionsView.svelte';
  import './lib/chrome/theme.svelte';

  const routes = {
    '/': SessionsView,
    '/s/:id': SessionView,
    '/s/:id/prepare': PrepareView,
    '/s/:id/plan': PlanView,
    '/s/:id/print': PrintView,
    '/s/:id/proof': ProofView,
    '/s/:id/parcel': ParcelView,
    '/pickup/:token': PickupView,
    '*': SessionsView,
  };

  /** Views hold on to what they were opened with: another session is another page. */
  const session = $derived(/^\/s\/([^/]+)/.exec(router.location ?? '')?.[1]);
</script>

{#key session}<Router {routes} />{/key}
<Toasts />
