/** This browser as a phone of a business elsewhere: asks to be one, is one, and is none any more. */
import type { JoinLink } from '../../channel/link';
import { version } from '$app/environment';
import { hold, type Carrier, type DeviceStanding, type Parts, type ToPhone } from '$exchange';
import { FarExchange, type Cut } from '$exchange/devices/far';
import type { Signal, Signals } from '$media';
import { PhoneDesk } from '../phone/desk.svelte';
import { session } from '../window/session.svelte';
import { Kept, type Own } from './kept';
import { kindOfDevice } from './kind';

/** Cut off for less, one waits: it comes back by itself. In milliseconds. */
const SHORTLY_MS = 2500;
/** What is told is kept a little later, all of it together, in milliseconds. */
const KEEP_MS = 2000;
/** Only one window of this browser is the phone. */
const LOCK = 'upper-line:this-device';

export const CUT_WORDS: Record<Cut, string> = {
  'no server': 'The server is not reached.',
  'no exchange': 'The exchange is away: nobody has the business open.',
  'no answer': 'The exchange does not answer.',
};

export class ThisDevice {
  /** It has been looked what is kept here. */
  ready = $state(false);
  own = $state.raw<Own | null>(null);
  standing = $state.raw<DeviceStanding | null>(null);
  cut = $state.raw<{ why: Cut; words: string; since: number } | null>(null);
  desk = $state.raw<PhoneDesk | null>(null);
  /** Another window of this browser is the phone. */
  elsewhere = $state(false);
  /** What could not be kept, in words. */
  problem = $state('');

  private kept: Kept | null = null;
  private far: FarExchange | null = null;
  private hears: (message: ToPhone) => void = () => {};
  private readonly listeners = new Set<(signal: Signal) => void>();
  private letGo = () => {};

  /** @param link that was opened; a new one takes the place of one that let nobody in */
  async start(link: JoinLink | undefined): Promise<void> {
    try {
      this.kept = await Kept.open();
      const own = (await this.kept.own()) ?? null;
      // One that let nobody in gives way to another; a phone is given up by its person alone.
      const another = link !== undefined && link.secret !== own?.link?.secret && !own?.paired;
      this.own = another ? null : own;
      this.given = link ?? own?.link ?? null;
    } catch (error) {
      this.problem = `This browser keeps nothing: ${error instanceof Error ? error.message : String(error)}`;
    }
    this.ready = true;
    if (this.own) this.begin(this.own);
  }
  /** The link it may ask by. */
  given = $state.raw<JoinLink | null>(null);

  /** Asks to be let in by the link. @param name what its owner calls it */
  async ask(name: string): Promise<void> {
    if (!this.given || !this.kept) return;
    this.standing = null;
    try {
      const own = await Kept.fresh(this.given, name.trim());
      await this.kept.keepOwn(own);
      this.own = own;
      this.begin(own);
    } catch (error) {
      this.problem = `This browser keeps nothing: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  /** It is nobody's phone any more, and nothing of it is kept. @param link by which it may ask to be another's */
  async forget(link: JoinLink | null = null): Promise<void> {
    await this.leave();
    this.standing = this.cut = null;
    this.given = link;
  }
  /** It could ask, for this browser keeps what it needs. */
  get mayAsk(): boolean {
    return this.kept !== null;
  }

  wake = (): void => this.far?.wake();

  close(): void {
    this.stop();
    this.kept?.close();
  }

  private stop(): void {
    this.letGo();
    this.far?.close();
    this.far = null;
    clearTimeout(this.keeping);
    this.desk?.close();
    this.desk = session.phone = null;
  }

  private begin(own: Own): void {
    this.elsewhere = true;
    this.letGo = hold(LOCK, () => {
      this.elsewhere = false;
      void this.connect(own);
    });
  }

  private async connect(own: Own): Promise<void> {
    const { address, publicKey, keys, link, name } = own;
    const kind = await kindOfDevice();
    if (own.paired) await this.bePhone(own, own.paired, true);
    this.far = new FarExchange(
      {
        address,
        publicKey,
        own: keys,
        ...(link
          ? { join: { invitationId: link.invitationId, secret: link.secret, name: name || kind, kind } }
          : {}),
      },
      version,
      {
        standing: (s) => void this.stands(s),
        phone: (m) => this.told(m),
        signal: (s) => {
          for (const listen of this.listeners) listen(s);
        },
        cut: (why, words) => {
          if (!why) this.cut = null;
          else this.cut = { why, words, since: this.cut?.since ?? Date.now() };
        },
      },
    );
  }

  /** Nothing of the business stays here; where that cannot be done it is said. */
  private async leave(): Promise<void> {
    this.stop();
    this.own = null;
    try {
      await this.kept?.erase();
    } catch {
      this.problem =
        'What this device kept of the business could not be removed: clear the data of this site in the browser.';
    }
  }

  private async stands(standing: DeviceStanding): Promise<void> {
    // That nothing is kept is said once it is so.
    if (standing.is === 'shut out' && this.own) await this.leave();
    this.standing = standing;
    const { own } = this;
    if (!own) return;
    switch (standing.is) {
      case 'paired':
        // The link it came by is used up; another that was opened meanwhile is asked about.
        if (own.link?.secret === this.given?.secret) this.given = null;
        this.own = { ...own, link: null, paired: standing };
        await this.kept?.keepOwn(this.own);
        // It may have been shut out, or given up, while that was stored.
        return this.own ? this.bePhone(this.own, standing, false) : undefined;
      case 'refused':
        this.stop();
        // An older copy of the business may have been read there: a phone does not give itself up for that.
        if (own.paired) return;
        this.given = null;
        return this.leave();
      case 'shut out':
      case 'visit':
        return;
      case 'asks':
      case 'suspended':
        this.desk?.close();
        this.desk = session.phone = null;
    }
  }

  /** @param remembering shows what was told last until the exchange is there */
  private async bePhone(
    own: Own,
    { businessId, phoneId }: NonNullable<Own['paired']>,
    remembering: boolean,
  ): Promise<void> {
    if (this.desk) return;
    const passes: Carrier['passes'] = {
      send: (message) => this.far?.ask(message),
      close: () => {},
      onmessage: () => {},
    };
    this.hears = (message) => passes.onmessage(message);
    const carrier: Carrier = { passes, knock: () => {}, close: () => {}, whyNot: this.whyNot };
    this.desk = new PhoneDesk(businessId, phoneId, session.say, { carrier, signals: this.signals });
    session.phone = this.desk;
    for (const message of this.early.splice(0)) this.hears(message);
    if (!remembering) return;
    for (const [part, is] of (await this.kept?.told(own)) ?? [])
      if (!this.heard.has(part as keyof Parts) && part !== 'calls')
        this.hears({ kind: 'told', part, is } as ToPhone);
  }

  private readonly whyNot = (): string =>
    this.cut && Date.now() - this.cut.since > SHORTLY_MS
      ? `${CUT_WORDS[this.cut.why]} It can be done when it is back.`
      : '';

  private readonly signals = (): Signals => {
    const { listeners } = this;
    return {
      send: (signal) => this.far?.signal(signal),
      listen(heard) {
        listeners.add(heard);
        return () => listeners.delete(heard);
      },
      close: () => {},
    };
  };

  /** Told before the desk was there. */
  private early: ToPhone[] = [];
  private readonly heard = new Map<keyof Parts, unknown>();
  private keeping: ReturnType<typeof setTimeout> | undefined;
  private told(message: ToPhone): void {
    if (!this.desk) this.early.push(message);
    else this.hears(message);
    if (message.kind !== 'told') return;
    this.heard.set(message.part, message.is);
    if (message.part === 'calls') return;
    this.keeping ??= setTimeout(() => void this.keep(), KEEP_MS);
  }
  /** What was told last is kept, for when it is cut off. */
  private async keep(): Promise<void> {
    this.keeping = undefined;
    const { own, kept } = this;
    if (!own || !kept) return;
    try {
      for (const [part, is] of this.heard) if (part !== 'calls') await kept.keepTold(own, part, is);
      if (this.own) this.problem = '';
    } catch {
      this.problem =
        'There is no room on this device to keep what it was told: without the exchange it will show nothing.';
    }
  }
}
