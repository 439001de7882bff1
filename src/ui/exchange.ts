/** Starts this window's share of the live switch: a worker that runs it, or waits to take over. */
import { SWITCH_LOCK } from '$exchange';

/** Where another window runs it, so long a page has for itself first, in milliseconds. */
const LATER_MS = 20_000;

let worker: Worker | undefined;
let later: ReturnType<typeof setTimeout> | undefined;

function start(): void {
  clearTimeout(later);
  worker ??= new Worker(new URL('../workers/exchange.worker.ts', import.meta.url), { type: 'module' });
}

/** At once where no window runs it, or as soon as none does; else a while later, so that it is there when one is needed. */
export function startExchange(): void {
  if (worker || later) return;
  later = setTimeout(start, LATER_MS);
  // Only asked for, and let go at once: it is the worker that holds it.
  void navigator.locks?.request(SWITCH_LOCK, start);
}
