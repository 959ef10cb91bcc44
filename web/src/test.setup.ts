/** jsdom lays nothing out and so knows no media; every query is answered with no. */
if (typeof window !== 'undefined')
  window.matchMedia ??= (media) =>
    ({ media, matches: false, addEventListener: () => {}, removeEventListener: () => {} }) as unknown as MediaQueryList;
