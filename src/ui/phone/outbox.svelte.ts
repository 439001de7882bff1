/**
 * Settings made on a phone that has no network: they wait on it, with the moment they were made, until it is back. What
 * somebody set elsewhere meanwhile is then the later word and stays.
 */
import { z } from 'zod';
import type { Setting } from '$core/system';
import { send, tellStayed } from '../reach/settings.svelte';
import { session } from '../window/session.svelte';
import type { PhoneDesk } from './desk.svelte';

interface Waiting {
  words: string;
  settings: Setting[];
  at: number;
}
/** What this product wrote itself; anything else is nothing. */
const Kept = z.array(z.object({ words: z.string(), settings: z.array(z.custom<Setting>()), at: z.number() }));

export class Outbox {
  private readonly key: string;
  waiting = $state.raw<Waiting[]>([]);

  constructor(
    private readonly desk: PhoneDesk,
    private by: () => string,
  ) {
    this.key = `upper-line:outbox:${desk.id}:${desk.phoneId}`;
    try {
      this.waiting = Kept.safeParse(JSON.parse(localStorage.getItem(this.key) ?? '[]')).data ?? [];
    } catch {
      this.waiting = [];
    }
  }

  /** @throws where there is no room: then nothing is kept, and nothing is said to be */
  private keep(waiting: Waiting[]): void {
    localStorage.setItem(this.key, JSON.stringify(waiting));
    this.waiting = waiting;
  }

  /** Carries out changes, or keeps them while there is no network. */
  async send(words: string, settings: Setting[], online: boolean): Promise<void> {
    if (online) return send(words, settings, this.by());
    try {
      this.keep([
        ...this.waiting,
        { words, settings: $state.snapshot(settings) as Setting[], at: this.desk.now },
      ]);
    } catch {
      return session.say({
        kind: 'error',
        title: 'Not kept on this phone',
        detail: 'It has no network, and no room left to keep it until it is back. Set it again then.',
      });
    }
    session.say({
      kind: 'info',
      title: 'Kept on this phone',
      detail: 'It has no network. It is set when it is back, unless somebody sets it later elsewhere.',
    });
  }

  private flushing: Promise<void> | undefined;
  /** The phone is back: what waits is carried out as of when it was made. Asked again meanwhile, it goes on as it is. */
  flush(): Promise<void> {
    return (this.flushing ??= this.carryOut().finally(() => (this.flushing = undefined)));
  }

  private async carryOut(): Promise<void> {
    const stayed = [];
    const words = [];
    // One after the other, and each only gone once it is stored: a window that is closed meanwhile goes on later.
    for (let next = this.waiting[0]; next; next = this.waiting[0]) {
      stayed.push(...(await this.desk.setAsOf(next.settings, this.by(), next.at)));
      words.push(next.words);
      this.keep(this.waiting.slice(1));
    }
    if (stayed.length) tellStayed(stayed);
    else if (words.length) session.say({ kind: 'success', title: words.join('; ') });
  }
}
