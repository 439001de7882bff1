/**
 * The voice of a phone's window: connected with every other end of the talk that has a window, by what the engine says of who
 * hears whom. Each pair is connected directly, so that nobody's sound hangs on a third window.
 */
import { hears, isHeard, type End } from '../core/calls';
import { CallRecorder, type CallSound, type Said } from './call-recorder';
import { Outgoing } from './outgoing';
import { Peer, type PeerState } from './peer';
import type { Body, Signals } from './signals';

export interface TalkNow {
  callId: string;
  /** The name of this window's end. */
  me: string;
  ends: readonly End[];
}

export interface VoiceNow {
  microphone: 'off' | 'asked for' | 'on' | 'refused' | 'none' | 'taken away';
  muted: boolean;
  /** Of each other end. */
  peers: { name: string; state: PeerState }[];
  /** The worst rating of the ends heard, or null where none is known yet. */
  rating: number | null;
  /** What was typed instead of spoken, the newest last. */
  words: Said[];
}

/** How often the quality is looked at, in milliseconds. */
const LOOK_MS = 3000;
/** The last so many typed words are shown. */
const WORDS_KEPT = 50;

export class Voice {
  now: VoiceNow = { microphone: 'off', muted: false, peers: [], rating: null, words: [] };
  private talk: TalkNow | null = null;
  private peers = new Map<string, Peer>();
  private stream: MediaStream | null = null;
  private outgoing: Outgoing | null = null;
  private asked = 0;
  private stopListening: () => void;
  private looking: ReturnType<typeof setInterval>;
  private microphoneId = '';
  private speakerId = '';
  private codecs: readonly string[] = [];

  /** @param told whenever something about the voice changes @param servers by which it finds its way between networks */
  constructor(
    private signals: Signals,
    private told: (now: VoiceNow) => void,
    private servers: () => readonly RTCIceServer[] = () => [],
  ) {
    this.stopListening = signals.listen((s) => {
      if (!this.talk || s.callId !== this.talk.callId || s.to !== this.talk.me) return;
      if (s.kind === 'words') return this.saw({ from: s.from, text: s.text.slice(0, 500) });
      void this.peers.get(s.from)?.hear(s);
    });
    this.looking = setInterval(() => void this.look(), LOOK_MS);
    navigator.mediaDevices?.addEventListener('devicechange', this.devicesChanged);
  }

  /** The talk this phone is in, as the switch tells it; null is none. */
  update(talk: TalkNow | null): void {
    if (!talk || talk.callId !== this.talk?.callId || talk.me !== this.talk.me) {
      this.leave();
      this.talk = talk;
      if (!talk) return;
      this.outgoing = new Outgoing();
      void this.takeMicrophone();
    }
    this.talk = talk;
    const others = talk.ends.filter((e) => e.phone !== talk.me);
    for (const [name, peer] of this.peers)
      if (!others.some((e) => e.phone === name)) {
        peer.close();
        this.peers.delete(name);
      }
    for (const { phone } of others)
      if (!this.peers.has(phone)) {
        const peer = new Peer(
          phone,
          talk.me < phone,
          this.outgoing!.track,
          this.codecs,
          this.servers,
          (body) => this.signal(phone, body),
          () => this.tell(),
        );
        void peer.useSpeaker(this.speakerId);
        this.peers.set(phone, peer);
      }
    this.route();
    this.tell();
  }

  private recorder: CallRecorder | null = null;
  /** Takes the sound of the talk, makes a gap, or ends it. @returns what was taken, once it is ended */
  record(is: 'on' | 'paused' | 'off'): CallSound | null {
    if (is === 'off') {
      const sound = this.recorder?.end() ?? null;
      this.recorder = null;
      return sound;
    }
    this.recorder ??= new CallRecorder();
    this.recorder.paused = is === 'paused';
    this.takeAll();
    return null;
  }
  private takeAll(): void {
    const others = [...this.peers].flatMap(([name, peer]) =>
      peer.incoming ? [[name, peer.incoming] as const] : [],
    );
    // Muted in a meeting, what is said here is said to nobody.
    const me = this.talk?.ends.find((e) => e.phone === this.talk?.me);
    this.recorder?.take(me && isHeard(me) ? (this.outgoing?.track ?? null) : null, new Map(others));
  }

  mute(on: boolean): void {
    this.outgoing?.mute(on);
    this.say({ muted: on });
  }

  /** Keys that reach the other ends as keypad tones. */
  keys(keys: string): void {
    this.outgoing?.keys(keys);
  }

  /** Words instead of voice, for who has no microphone. */
  type(text: string): void {
    if (!this.talk || !text.trim()) return;
    for (const name of this.peers.keys()) this.signal(name, { kind: 'words', text });
    this.saw({ from: this.talk.me, text });
  }
  private saw(words: Said): void {
    this.recorder?.typed(words);
    this.say({ words: [...this.now.words, words].slice(-WORDS_KEPT) });
  }

  /** Which devices are used from now on; '' is the usual one. */
  use({
    microphone,
    speaker,
    codecs,
  }: {
    microphone: string;
    speaker: string;
    codecs: readonly string[];
  }): void {
    const other = microphone !== this.microphoneId;
    this.microphoneId = microphone;
    this.speakerId = speaker;
    this.codecs = codecs;
    for (const peer of this.peers.values()) void peer.useSpeaker(speaker);
    if (other && this.talk) void this.takeMicrophone();
  }

  close(): void {
    this.leave();
    clearInterval(this.looking);
    this.stopListening();
    navigator.mediaDevices?.removeEventListener('devicechange', this.devicesChanged);
    this.signals.close();
  }

  private signal(to: string, body: Body): void {
    if (this.talk) this.signals.send({ callId: this.talk.callId, from: this.talk.me, to, ...body });
  }

  private leave(): void {
    this.asked++;
    for (const peer of this.peers.values()) peer.close();
    this.peers.clear();
    this.release();
    this.outgoing?.close();
    this.outgoing = null;
    this.talk = null;
    this.now = { microphone: 'off', muted: false, peers: [], rating: null, words: [] };
    this.tell();
  }

  private release(): void {
    for (const track of this.stream?.getTracks() ?? []) {
      track.onended = null;
      track.stop();
    }
    this.stream = null;
  }

  /** Who hears this window, and whom it hears. */
  private route(): void {
    const { talk } = this;
    const me = talk?.ends.find((e) => e.phone === talk.me);
    if (!talk || !me) return;
    for (const other of talk.ends) {
      const speaks = isHeard(me) && hears(other, talk.ends) === 'the others';
      const heard = isHeard(other) && hears(me, talk.ends) === 'the others';
      this.peers.get(other.phone)?.set(speaks, heard);
    }
    this.takeAll();
  }

  private async takeMicrophone(): Promise<void> {
    const asked = ++this.asked;
    this.say({ microphone: 'asked for' });
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: {
          echoCancellation: true,
          ...(this.microphoneId ? { deviceId: { exact: this.microphoneId } } : {}),
        },
      });
      if (asked !== this.asked) return stream.getTracks().forEach((t) => t.stop());
      this.release();
      this.stream = stream;
      const [track] = stream.getAudioTracks();
      if (track)
        track.onended = () => {
          this.say({ microphone: 'taken away' });
          this.outgoing?.use(null);
        };
      this.outgoing?.use(stream);
      this.say({ microphone: 'on' });
    } catch (error) {
      if (asked !== this.asked) return;
      const refused = error instanceof DOMException && error.name === 'NotAllowedError';
      this.say({ microphone: refused ? 'refused' : 'none' });
    }
  }

  /** A microphone that came back is taken without hanging up. */
  private devicesChanged = (): void => {
    if (this.talk && this.now.microphone !== 'on' && this.now.microphone !== 'refused')
      void this.takeMicrophone();
  };

  private async look(): Promise<void> {
    const found = await Promise.all([...this.peers.values()].map((p) => p.quality()));
    const known = found.filter((r): r is number => r !== null);
    if (known.length) this.say({ rating: Math.min(...known) });
  }

  private say(change: Partial<VoiceNow>): void {
    this.now = { ...this.now, ...change };
    this.tell();
  }
  private tell(): void {
    this.takeAll();
    this.now = { ...this.now, peers: [...this.peers.values()].map(({ name, state }) => ({ name, state })) };
    this.told(this.now);
  }
}
