/**
 * A secret that a link carries in its fragment does not stay in the address, where somebody may read it over a shoulder. The
 * router's own way needs a router that runs already, which on the first page it does not.
 */
export function forgetFragment(): void {
  if (location.hash) history.replaceState(history.state, '', location.pathname + location.search);
}
