/** Links to telephone numbers (RFC 3966), on any page of ours and, where somebody wants it, of others. */

/** A number as a link. @param e164 the number */
export const telLink = (e164: string): string => `tel:${e164}`;

/** Where a number is called: a window beside this one, as large as a phone. */
export function openCall(tel: string): void {
  window.open(`/call?to=${encodeURIComponent(tel)}`, 'upper-line-call', 'popup,width=420,height=780');
}

/** Takes clicks on links to numbers. @param here takes them itself, where this window is a phone @returns how to stop */
export function takeTelLinks(here: (tel: string) => boolean): () => void {
  const onclick = (event: MouseEvent) => {
    const link = event.target instanceof Element ? event.target.closest('a[href^="tel:"]') : null;
    if (!link || event.defaultPrevented) return;
    event.preventDefault();
    const tel = link.getAttribute('href')!;
    if (!here(tel)) openCall(tel);
  };
  document.addEventListener('click', onclick);
  return () => document.removeEventListener('click', onclick);
}

/** Asks the browser to open links to numbers of any page here. @returns whether it can be asked at all */
export function offerForTelLinks(): boolean {
  if (typeof navigator.registerProtocolHandler !== 'function') return false;
  navigator.registerProtocolHandler('tel', `${location.origin}/call?to=%s`);
  return true;
}
