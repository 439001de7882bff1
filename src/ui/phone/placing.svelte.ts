/** Placing calls from this phone: out of this window, or out of another phone of theirs, which rings first. */
import type { Callee } from '$core/phone';
import type { Phone, System } from '$core/system';
import { freshId } from '../ids';
import { session } from '../window/session.svelte';
import type { PhoneDesk } from './desk.svelte';
import type { OwnPhoneMemory } from './own-phone.svelte';

export class Placing {
  /** Whom to call, where it is asked what from. */
  asked = $state.raw<{ callee: Callee; shows: string | undefined } | null>(null);

  constructor(
    private readonly desk: PhoneDesk,
    private readonly own: OwnPhoneMemory,
    private readonly system: () => System,
  ) {}

  private readonly personId = $derived.by(() => this.system().phones[this.desk.phoneId]?.personId);
  /** Another phone of theirs that calls go out of, where they chose one. */
  readonly elsewhere: Phone | undefined = $derived.by(() => {
    const { outOf } = this.own.value;
    const phone = typeof outOf === 'object' ? this.system().phones[outOf.phoneId] : undefined;
    return phone?.personId === this.personId ? phone : undefined;
  });

  /** @param shows the number of ours that the other side sees; undefined is the usual one */
  call = (callee: Callee, shows?: string): void => {
    // A call for help goes out at once, and from here.
    if (callee.key !== 'emergency' && this.own.value.outOf === 'ask') this.asked = { callee, shows };
    else this.place(callee, shows, callee.key === 'emergency' ? undefined : this.elsewhere?.id);
  };

  /** @param from another phone of theirs, which rings first */
  place = ({ to, name }: Callee, shows: string | undefined, from?: string): void => {
    const { desk } = this;
    this.asked = null;
    if (from)
      session.say({
        kind: 'info',
        title: `Your ${this.system().phones[from]?.name.toLowerCase()} rings: lifting it calls ${name}`,
      });
    void desk.act({
      kind: 'place',
      request: {
        id: freshId('call'),
        at: desk.now,
        from: { kind: 'phone', phoneId: from ?? desk.phoneId },
        to,
        behaviour: null,
        ...(from ? { ringsFirst: true } : {}),
        ...(shows ? { shows } : {}),
      },
    });
  };

  /** Calls what is dialled: a number, an extension, a slot. */
  dial = (digits: string, name = digits): void =>
    this.call({
      key: digits,
      name,
      detail: '',
      to: { kind: 'digits', digits },
      target: null,
      personId: null,
    });
}
