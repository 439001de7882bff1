/** A phone whose connection is cut off mostly is there again in a moment, and a talk does not pass the relay: it is held a while longer. */
import type { Hold } from './session';

/** So long a phone is taken to be there after its connection was cut off, in milliseconds. Common practice, no source. */
export const LINGER_MS = 15_000;

export class Lingering {
  private readonly held = new Map<
    string,
    { letGo: () => void; timer: ReturnType<typeof setTimeout> | null }
  >();

  constructor(private readonly hold: Hold) {}

  /** @returns lets it go: a while later, or at once where it is gone for good */
  take(name: string): (forGood: boolean) => void {
    const known = this.held.get(name);
    if (known?.timer) clearTimeout(known.timer);
    const mine = {
      letGo: known?.letGo ?? this.hold(name),
      timer: null as ReturnType<typeof setTimeout> | null,
    };
    this.held.set(name, mine);
    const end = () => {
      if (this.held.get(name) !== mine) return;
      this.held.delete(name);
      mine.letGo();
    };
    return (forGood) => {
      if (forGood) end();
      else mine.timer ??= setTimeout(end, LINGER_MS);
    };
  }

  close(): void {
    for (const { letGo, timer } of this.held.values()) {
      if (timer) clearTimeout(timer);
      letGo();
    }
    this.held.clear();
  }
}
