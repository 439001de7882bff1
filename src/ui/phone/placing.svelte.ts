/** Placing calls from this phone: out of this window, or out of another phone of theirs, which rings first. */
import type { Callee } from '$core/phone';
import type { Phone, System } from '$core/system';
import type { LiveCall } from '$exchange';
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

  /** Keys that are typed by themselves, in the call that was placed for them, once a PIN is asked for. */
  private typing: { callId: string; keys: string } | null = null;
  /** Into a meeting in one act: the room is called from this window, and its PIN typed once it is asked for. */
  join = ({ extension, pin, name }: { extension: string; pin: string | null; name: string }): void => {
    const callee = { key: extension, name, detail: '', target: null, personId: null };
    const callId = this.place({ ...callee, to: { kind: 'digits', digits: extension } }, undefined);
    this.typing = pin === null ? null : { callId, keys: `${pin}#` };
  };
  /** A call goes on: where it asks for the PIN it was placed with, that is typed. */
  look(call: LiveCall | null): void {
    const { typing, desk } = this;
    if (!typing || call?.request.id !== typing.callId || call.meets?.stage !== 'pin') return;
    this.typing = null;
    for (const key of typing.keys) void desk.act({ kind: 'press', callId: typing.callId, key });
  }

  /** @param from another phone of theirs, which rings first @returns the id of the call */
  place = ({ to, name }: Callee, shows: string | undefined, from?: string): string => {
    const { desk } = this;
    const id = freshId('call');
    this.asked = null;
    if (from)
      session.say({
        kind: 'info',
        title: `Your ${this.system().phones[from]?.name.toLowerCase()} rings: lifting it calls ${name}`,
      });
    void desk.act({
      kind: 'place',
      request: {
        id,
        at: desk.now,
        from: { kind: 'phone', phoneId: from ?? desk.phoneId },
        to,
        behaviour: null,
        ...(from ? { ringsFirst: true } : {}),
        ...(shows ? { shows } : {}),
      },
    });
    return id;
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
