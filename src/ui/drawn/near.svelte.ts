/** What is drawn only where it is near what is seen: a business has hundreds of rows, a window shows twenty. */
import { flushSync } from 'svelte';
import type { Attachment } from 'svelte/attachments';

/** So far beyond the edge of the window something is drawn already: nobody scrolls onto an empty row. */
const MARGIN = '900px 0px';

const tell = new Map<Element, (near: boolean) => void>();
let observer: IntersectionObserver | undefined;

function watch(node: Element, told: (near: boolean) => void): () => void {
  observer ??= new IntersectionObserver(
    (entries) => {
      for (const entry of entries) tell.get(entry.target)?.(entry.isIntersecting);
    },
    { rootMargin: MARGIN },
  );
  tell.set(node, told);
  observer.observe(node);
  return () => {
    tell.delete(node);
    observer?.unobserve(node);
  };
}
if (typeof window !== 'undefined')
  addEventListener('beforeprint', () => flushSync(() => tell.forEach((told) => told(true))));

export class Near {
  /** Whether it is to be drawn. */
  is = $state(false);
  /**
   * @param first the first rows are there with the page, whatever is seen of it
   * @param then what was drawn once stays, where its height hangs on what is in it; or what is done when it comes near
   */
  constructor(
    first: boolean,
    private readonly then: 'goes' | 'stays' | (() => void) = 'goes',
  ) {
    this.is = first;
  }
  /** Put on the element that keeps the room. */
  readonly attach: Attachment = (node) =>
    watch(node, (near) => {
      if (near || this.then === 'goes') this.is = near;
      if (near && typeof this.then === 'function') this.then();
    });
}
