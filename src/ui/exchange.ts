/** Starts this window's share of the live switch: a worker that runs it, or waits to take over. */
let worker: Worker | undefined;

export function startExchange(): void {
  worker ??= new Worker(new URL('../workers/exchange.worker.ts', import.meta.url), { type: 'module' });
}
