/** The pages kept in this browser, and a newer version of them that waits to be used. */
class NewVersion {
  /** A newer version is there. */
  waiting = $state(false);
  /** Whether this browser keeps the pages: not where it does not trust the server. */
  kept = $state(true);
  private worker: ServiceWorker | null = null;
  private wanted = false;

  /** Keeps the pages once everything else has been loaded, and looks for a newer version now and then. */
  async start(): Promise<void> {
    const { serviceWorker } = navigator;
    if (!serviceWorker || !import.meta.env.PROD) return;
    // It takes over only when somebody asked for it: then the pages are loaded anew.
    serviceWorker.addEventListener('controllerchange', () => {
      if (this.wanted) location.reload();
    });
    try {
      const registration = await serviceWorker.register('/service-worker.js', { type: 'module' });
      const look = () => {
        this.worker = registration.waiting;
        this.waiting = registration.waiting !== null && serviceWorker.controller !== null;
      };
      look();
      registration.addEventListener('updatefound', () => {
        registration.installing?.addEventListener('statechange', look);
      });
      setInterval(() => void registration.update().catch(() => {}), 3_600_000);
    } catch {
      // A browser that keeps no pages works all the same, as long as the server is there.
      this.kept = false;
    }
  }
  use(): void {
    this.wanted = true;
    this.worker?.postMessage('use the new version');
  }
}
export const newVersion = new NewVersion();
