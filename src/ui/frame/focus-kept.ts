/**
 * Keeps the focus somewhere: when what had it is taken away or cannot take it any more, the nearest thing beside it gets it,
 * else the page. Whoever works by keys or hears the screen read goes on from there.
 */
const TAKES_FOCUS = [
  'a[href]',
  'button:not([disabled])',
  'input:not([disabled], [type=hidden])',
  'select:not([disabled])',
  'textarea:not([disabled])',
  'summary',
  '[tabindex]:not([tabindex="-1"])',
].join();

const isShown = (el: Element): boolean => el.checkVisibility({ visibilityProperty: true });
/** Whether something that has the focus can still have it. */
const keeps = (el: Element): boolean => el.isConnected && isShown(el) && !el.matches(':disabled');
const takes = (el: Element): boolean => keeps(el) && el.matches(TAKES_FOCUS);

/** What had the focus last, with all it stood in and where in it. */
interface Had {
  element: Element;
  within: { parent: Element; index: number }[];
}

function hadBy(element: Element): Had {
  const within: Had['within'] = [];
  for (
    let at: Element = element;
    at.parentElement && at.parentElement !== document.body;
    at = at.parentElement
  )
    within.push({ parent: at.parentElement, index: [...at.parentElement.children].indexOf(at) });
  return { element, within };
}

/** The nearest thing that takes the focus where something stood: what came in its place, then what stands before it, then outside. */
function nearest({ within }: Had): HTMLElement | undefined {
  for (const { parent, index } of within) {
    if (!parent.isConnected) continue;
    const children = [...parent.children];
    for (const child of [...children.slice(index), ...children.slice(0, index).reverse()]) {
      const found = takes(child) ? child : [...child.querySelectorAll(TAKES_FOCUS)].find(takes);
      if (found) return found as HTMLElement;
    }
    if (takes(parent)) return parent as HTMLElement;
  }
  return undefined;
}

/** What gives the focus on by itself has done so by then, and a dialog that closes is hidden by then: milliseconds. */
const SOON_MS = 60;
const HIDDEN_MS = 400;

/** Looks after the focus of this window. @param page gets it where nothing else can @returns ends that */
export function keepFocus(page: () => HTMLElement | undefined): () => void {
  let had: Had | null = null;
  const remember = (event: FocusEvent) => {
    if (!(event.target instanceof Element) || event.target === document.body) return;
    had = hadBy(event.target);
    clicked = false;
  };
  /** Since something had the focus last, the pointer was pressed. */
  let clicked = false;
  const press = () => (clicked = true);
  let asked = false;
  /** Nothing has the focus, or something that can do nothing with it. */
  const isLost = () =>
    document.activeElement === document.body || (had !== null && document.activeElement === had.element);
  function look(): void {
    if (!had || !isLost() || document.querySelector('.bx--modal.is-visible')) return;
    const kept = keeps(had.element) ? (had.element as HTMLElement) : undefined;
    // Whoever has clicked beside everything wants nothing to have it.
    if (kept && clicked) return;
    if (kept === document.activeElement) return;
    (kept ?? nearest(had) ?? page())?.focus({ preventScroll: true });
  }
  const soon = () => {
    if (asked || !had) return;
    asked = true;
    setTimeout(() => {
      asked = false;
      look();
    }, SOON_MS);
    setTimeout(look, HIDDEN_MS);
  };
  const observer = new MutationObserver(soon);
  observer.observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] });
  document.addEventListener('focusin', remember);
  document.addEventListener('pointerdown', press);
  // A dialog that closes hides what had it, and may give it back to something that is gone.
  document.addEventListener('focusout', soon);
  return () => {
    observer.disconnect();
    document.removeEventListener('focusin', remember);
    document.removeEventListener('pointerdown', press);
    document.removeEventListener('focusout', soon);
  };
}
