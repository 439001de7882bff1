/** What a staff phone's window hears and takes of its talk: voices, what is recorded here, and how it sounded. */
import { onDestroy, untrack } from 'svelte';
import { isOurs } from '$core/calls';
import { iceServers, type System } from '$core/system';
import type { LiveCall } from '$exchange';
import type { PhoneDesk } from '../desk.svelte';
import type { OwnPhoneMemory } from '../own-phone.svelte';
import { OwnVoice } from './voice.svelte';

/** To be made while a component is: it follows what the desk is told, and ends with the component. */
export class OwnTalk {
  readonly voice: OwnVoice;
  /** The sound that is being taken, of which call and since when. */
  private taking: { callId: string; at: number } | null = null;
  /** How the talk sounded last. */
  private rated: { callId: string; rating: number } | null = null;

  /** The talk this phone is in; else one that it holds. */
  readonly talk: LiveCall | undefined = $derived.by(() => {
    const me = (c: LiveCall) => c.ends.find((e) => e.phone === this.desk.phoneId);
    const talks = this.desk.going.calls.filter((c) => c.phase === 'talking' && me(c));
    return talks.find((c) => me(c)!.holds === undefined) ?? talks[0];
  });
  /** Whom we called hears something first; who called does not. Empty where nothing is said. */
  readonly announcing: string = $derived.by(() => {
    const { talk } = this;
    const said = talk?.trace.findLast((e) => e.kind === 'announced');
    if (!talk || said?.kind !== 'announced' || this.desk.now - talk.request.at >= said.t + said.ms) return '';
    return `They hear “${this.system().recordings[said.recordingId]?.text ?? ''}” first.`;
  });

  constructor(
    private readonly desk: PhoneDesk,
    own: OwnPhoneMemory,
    private readonly system: () => System,
  ) {
    this.voice = new OwnVoice(() => iceServers(system().business), desk.signals());
    // A window that is closed sends what it has before it goes.
    const leaves = () => this.keep();
    addEventListener('pagehide', leaves);
    onDestroy(() => {
      removeEventListener('pagehide', leaves);
      this.keep();
      this.voice.close();
    });
    $effect(() => this.voice.update(desk.phoneId, desk.going.calls, system()));
    $effect(() => this.takeSound());
    $effect(() => this.rate());
    $effect(() => {
      const { microphone, speaker } = own.value;
      const codecs = (system().phones[desk.phoneId]?.codecs ?? []).map((c) => c.toUpperCase());
      untrack(() => this.voice.use({ microphone, speaker, codecs }));
    });
  }

  /** This window takes the sound of what was begun here to be recorded, or is by rule where nobody of ours is before it. */
  private takeSound(): void {
    const { desk } = this;
    const talk = this.talk ?? desk.going.calls.find((c) => c.meets?.me === desk.phoneId && c.recorded);
    const { recorded } = talk ?? {};
    const ours = talk?.ends.filter((e) => isOurs(e)).map((e) => e.phone) ?? [];
    const by = recorded && (recorded.by ?? ours[0]);
    const held = talk?.ends.some((e) => isOurs(e) && e.holds !== undefined);
    const callId = by === desk.phoneId && recorded?.is !== 'announced' ? talk!.request.id : null;
    untrack(() => {
      if (this.taking && this.taking.callId !== callId) this.keep();
      if (!callId) return;
      this.taking ??= { callId, at: desk.now };
      this.voice.record(recorded!.is === 'paused' || held ? 'paused' : 'on');
    });
  }

  /** What was taken so far is kept. */
  private keep(): void {
    if (!this.taking) return;
    const { callId, at } = this.taking;
    this.taking = null;
    const sound = this.voice.record('off');
    if (sound) void this.desk.keepRecording(callId, at, sound);
  }

  /** How it sounded last is kept with the call, once it is over or somebody else's. */
  private rate(): void {
    const { talk, desk } = this;
    const callId = talk?.request.id;
    const { rating } = this.voice.now;
    if (this.rated && this.rated.callId !== callId) {
      desk.quality(this.rated.callId, this.rated.rating);
      this.rated = null;
    }
    if (callId && rating !== null) this.rated = { callId, rating };
  }
}
