/** Keeps the screen, and with it the machine, from going to sleep (Screen Wake Lock API, W3C). */
export class Awake {
  /** It is kept awake now. */
  on = $state(false);
  /** Why it is not, in words. */
  why = $state('');
  private lock: WakeLockSentinel | null = null;
  private wanted = false;

  /** Asked for as long as this window is there; the browser takes it back whenever the window is hidden. */
  async keep(): Promise<void> {
    this.wanted = true;
    if (this.lock || document.visibilityState !== 'visible') return;
    if (!('wakeLock' in navigator)) {
      this.why = 'This browser cannot keep the machine awake: set it so that it does not sleep.';
      return;
    }
    try {
      this.lock = await navigator.wakeLock.request('screen');
      this.on = true;
      this.why = '';
      this.lock.addEventListener('release', () => {
        this.lock = null;
        this.on = false;
        if (this.wanted) this.why = 'Only while this window is in sight is the machine kept awake.';
      });
    } catch (error) {
      this.why = `The machine may go to sleep: ${error instanceof Error ? error.message : String(error)}`;
    }
  }
  /** The window is in sight again. */
  look = (): void => {
    if (this.wanted && document.visibilityState === 'visible') void this.keep();
  };
  async letGo(): Promise<void> {
    this.wanted = false;
    await this.lock?.release();
    this.why = '';
  }
}
