/** The log as it is gone through: in slices, so that a hundred thousand calls do not hold up a key. */
import { storyOf, type Entry, type Kept } from '$core/story';
import type { System } from '$core/system';

/** So long a slice takes, in milliseconds: half of a frame. */
const SLICE_MS = 8;
/** So many are there with the page. */
const AT_ONCE = 300;

export class Story {
  /** The newest first; the newest few hundred at first, and then all. */
  entries = $state.raw<readonly Entry[]>([]);
  /** Whether that is all of them. */
  whole = $state(false);
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** Goes through what is kept, anew. */
  read(kept: Kept, system: System): void {
    this.stop();
    const all: Entry[] = [];
    const rest = storyOf(kept, system);
    const slice = (enough: () => boolean): boolean => {
      for (let next = rest.next(); !next.done; next = rest.next()) {
        all.push(next.value);
        if (enough()) return false;
      }
      return true;
    };
    const show = (whole: boolean) => {
      this.entries = [...all];
      this.whole = whole;
    };
    if (slice(() => all.length >= AT_ONCE)) return show(true);
    // What was there stays until what is new is whole, where it is more than a first look has.
    if (this.entries.length <= AT_ONCE) show(false);
    else this.whole = false;
    const on = () => {
      const until = performance.now() + SLICE_MS;
      if (slice(() => performance.now() >= until)) show(true);
      else this.timer = setTimeout(on);
    };
    this.timer = setTimeout(on);
  }
  stop(): void {
    clearTimeout(this.timer);
  }
}
