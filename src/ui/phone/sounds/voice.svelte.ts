/** The voice of a phone's window, for its page: who is connected, how it sounds, and music while it is held. */
import { untrack } from 'svelte';
import { soundsLike } from '$core/audio';
import { talkSound, type TalkSound } from '$core/phone';
import type { System } from '$core/system';
import type { LiveCall } from '$exchange';
import { holdSamples } from './hold';
import { BrowserSignals, HoldMusic, Voice, type CallSound, type Signals, type VoiceNow } from '$media';

export class OwnVoice {
  now = $state.raw<VoiceNow>({ microphone: 'off', muted: false, peers: [], rating: null, words: [] });
  /** This window hears the music of those who are held. */
  music = $state(false);
  private readonly voice: Voice;
  private held = new HoldMusic();

  /** @param servers by which voice finds its way between networks @param signals how windows that talk find each other */
  constructor(servers: () => readonly RTCIceServer[], signals: Signals = new BrowserSignals()) {
    this.voice = new Voice(signals, (now) => (this.now = now), servers);
  }

  /**
   * @param me the name of this window's end @param calls that go on now @param system says which music
   * @param waits a caller who waits in a slot hears the music as well
   */
  update(me: string, calls: readonly LiveCall[], system?: System, waits = false): void {
    const { talk, music, numberId } = talkSound(me, calls, waits);
    this.hear(talk, music, system && (() => holdSamples(system, numberId)));
  }
  /** @param talk this window is in; null is none @param music of those who are held is heard @param samples of it */
  hear(
    talk: TalkSound['talk'],
    music: boolean,
    samples?: () => Promise<Float32Array<ArrayBuffer> | undefined>,
  ): void {
    this.voice.update(talk);
    this.listenTo(music, samples);
  }

  /** Plain, for it is read where it is set. */
  private hearsMusic = false;
  private listenTo(music: boolean, samples?: () => Promise<Float32Array<ArrayBuffer> | undefined>): void {
    if (music === this.hearsMusic) return;
    this.hearsMusic = this.music = music;
    if (!music) return this.held.stop();
    void untrack(() => samples?.() ?? Promise.resolve(undefined))
      .catch(() => undefined)
      // By then they may have been taken back.
      .then((chosen) => this.hearsMusic && this.held.play(chosen));
  }

  record(is: 'on' | 'paused' | 'off'): CallSound | null {
    return this.voice.record(is);
  }
  mute(on: boolean): void {
    this.voice.mute(on);
  }
  keys(keys: string): void {
    this.voice.keys(keys);
  }
  type(text: string): void {
    this.voice.type(text);
  }
  use(devices: Parameters<Voice['use']>[0]): void {
    this.voice.use(devices);
  }
  close(): void {
    this.held.stop();
    this.voice.close();
  }

  /** How the sound is, in words, and what to do; empty where nothing is to be said. @param named somebody by their phone */
  inWords(named: (phone: string) => string): string {
    const { microphone, peers, rating } = this.now;
    switch (microphone) {
      case 'refused':
        return 'The browser refuses the microphone: nobody hears you. Allow it for this page, or type.';
      case 'none':
        return 'No microphone was found: nobody hears you. Plug one in, or type.';
      case 'taken away':
        return 'The microphone was taken away: nobody hears you. Plug it in again; the call goes on.';
      case 'off':
      case 'asked for':
      case 'on':
        break;
    }
    const names = (state: string) =>
      peers.filter((p) => p.state === state).map((p) => (p.name === 'caller' ? 'the caller' : named(p.name)));
    const [failed] = names('failed');
    if (failed) return `No sound with ${failed}: it is tried again.`;
    if (rating !== null) {
      const how = soundsLike(rating);
      return how === 'good' ? 'sound: good' : `sound: ${how}. A cable in place of wireless often helps.`;
    }
    return names('connected').length ? 'sound: on' : names('connecting').length ? 'sound: connecting…' : '';
  }
}
