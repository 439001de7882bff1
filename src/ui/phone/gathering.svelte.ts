/** Several colleagues called into one talk, one after the other, from this phone. */
import type { PhoneCall } from '$core/phone';
import type { System } from '$core/system';
import { freshId } from '../ids';
import { session } from '../window/session.svelte';
import type { PhoneDesk } from './desk.svelte';
import type { Placing } from './placing.svelte';

/** So long a further one is rung before the next is tried, in milliseconds of the business's clock. Common practice, no source. */
const RINGS_MS = 25_000;

export class Gathering {
  /** Who is still to be called, by id. */
  private left = $state.raw<readonly string[]>([]);
  /** The talk the others are put into; null until the first is called. */
  private talk: string | null = null;
  private called: { id: string; personId: string; at: number } | null = null;
  private missed: string[] = [];

  constructor(
    private readonly desk: PhoneDesk,
    private readonly placing: Placing,
    private readonly system: () => System,
  ) {}

  /** Somebody is still to be called into the talk. */
  get going(): boolean {
    return this.left.length > 0 || this.called !== null;
  }

  /** @param personIds colleagues, by id */
  begin(personIds: readonly string[]): void {
    const [first, ...rest] = personIds.filter((id) => this.system().people[id]?.extension);
    if (!first) return session.say({ kind: 'error', title: 'Nobody of them can be called' });
    const { extension, name } = this.system().people[first]!;
    this.left = rest;
    this.talk = null;
    this.called = null;
    this.missed = [];
    this.placing.dial(extension, name);
  }
  stop(): void {
    this.left = [];
    this.called = null;
  }

  /** What goes on is looked at anew. @param calls of this phone @param now bench time */
  look(calls: readonly PhoneCall[], now: number): void {
    if (!this.going) return;
    const main = calls.find((c) => c.part !== 'is rung' && !c.about);
    if (!main) {
      // The first has not been placed yet, or all is over.
      if (this.talk !== null) this.stop();
      return;
    }
    this.talk ??= main.id;
    if (main.id !== this.talk) return this.stop();
    const about = calls.find((c) => c.about?.callId === main.id);
    if (this.called) {
      const { id, personId, at } = this.called;
      if (about?.id === id && about.part === 'talks') {
        this.called = null;
        void this.desk.act({ kind: 'all together', callId: main.id, phone: this.desk.phoneId });
      } else if (about?.id === id && now - at > RINGS_MS) {
        this.missed.push(personId);
        this.called = null;
        void this.desk.act({ kind: 'back to', callId: main.id, phone: this.desk.phoneId });
      } else if (!about && now - at > 2000) {
        this.missed.push(personId);
        this.called = null;
      } else return;
    } else if (main.part === 'talks' && main.holds === null && !about) {
      const [next, ...rest] = this.left;
      if (!next) return;
      this.left = rest;
      this.call(main.id, next, now);
    }
    if (!this.going && this.missed.length) this.sayMissed();
  }

  private call(callId: string, personId: string, now: number): void {
    const id = freshId('call');
    this.called = { id, personId, at: now };
    void this.desk.act({
      kind: 'place',
      request: {
        id,
        at: now,
        from: { kind: 'phone', phoneId: this.desk.phoneId },
        to: { kind: 'target', target: { to: 'person', personId } },
        behaviour: null,
        about: { callId, as: 'add' },
      },
    });
  }
  private sayMissed(): void {
    const names = this.missed.map((id) => this.system().people[id]?.name ?? 'somebody');
    session.say({ kind: 'info', title: `Not in the call: ${names.join(', ')}` });
  }
}
