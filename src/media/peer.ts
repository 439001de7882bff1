/** The sound between this window and one other end of a talk (WebRTC). */
import { nanoid } from 'nanoid';
import { CODEC, rating } from '../core/audio';
import type { Body } from './signals';

export type PeerState = 'waiting' | 'connecting' | 'connected' | 'failed';

/** Encoding and the jitter buffer take about so long besides what is measured, in milliseconds. No source. */
const OTHER_DELAY_MS = 40;

export class Peer {
  state: PeerState = 'waiting';
  private pc: RTCPeerConnection | null = null;
  private sender: RTCRtpSender | null = null;
  private element = new Audio();
  private waiting: RTCIceCandidateInit[] = [];
  /** Which offer the connection is by. Two may cross, where both say at once that they are there. */
  private of = '';
  private before = { lost: 0, received: 0 };
  /** What is to be heard of them. */
  private heard = true;
  private sends = true;

  /**
   * @param offers this side makes the offers: one of two does, so that they never cross
   * @param codecs what is preferred, first to last, by the names of SDP; empty is as the browser likes
   * @param servers by which it finds its way between networks
   */
  constructor(
    readonly name: string,
    private offers: boolean,
    private track: MediaStreamTrack,
    private codecs: readonly string[],
    private servers: () => readonly RTCIceServer[],
    private send: (body: Body) => void,
    private changed: () => void,
  ) {
    this.element.dataset.testid = 'voice';
    this.element.dataset.from = name;
    this.element.hidden = true;
    document.body.append(this.element);
    this.send({ kind: 'here' });
  }

  /** What comes from the other side, once it does. */
  get incoming(): MediaStreamTrack | undefined {
    const { srcObject } = this.element;
    return srcObject instanceof MediaStream ? srcObject.getAudioTracks()[0] : undefined;
  }

  async hear(body: Body): Promise<void> {
    switch (body.kind) {
      case 'here':
        // Whoever offers does so anew for a window that has just come; the other says that it is there.
        if (this.offers) return this.offer();
        if (!this.pc) this.send({ kind: 'here' });
        return;
      case 'description':
        return this.described(body.description, body.of);
      case 'candidate':
        if (body.of !== this.of) return;
        if (this.pc?.remoteDescription) await this.pc.addIceCandidate(body.candidate).catch(() => {});
        else this.waiting.push(body.candidate);
        return;
      case 'words':
        return;
    }
  }

  /** Who is heard, and who hears us: silence flows where not. */
  set(sends: boolean, heard: boolean): void {
    this.sends = sends;
    this.heard = heard;
    this.element.muted = !heard;
    void this.sender?.replaceTrack(sends ? this.track : null);
  }

  /** @param id of a loudspeaker, or '' for the usual one */
  async useSpeaker(id: string): Promise<void> {
    const element = this.element as HTMLAudioElement & { setSinkId?: (id: string) => Promise<void> };
    await element.setSinkId?.(id).catch(() => {});
  }

  /** How it sounds: R of the E-model since it was last asked, or null where nothing has come. */
  async quality(): Promise<number | null> {
    if (!this.pc || this.state !== 'connected') return null;
    const stats = await this.pc.getStats();
    let found: number | null = null;
    let roundTrip = 0;
    for (const s of stats.values() as Iterable<Record<string, number | string | boolean>>)
      if (s['type'] === 'candidate-pair' && s['nominated'])
        roundTrip = Number(s['currentRoundTripTime'] ?? 0);
    for (const s of stats.values() as Iterable<Record<string, number | string>>)
      if (s['type'] === 'inbound-rtp' && s['kind'] === 'audio') {
        const [lost, received] = [Number(s['packetsLost'] ?? 0), Number(s['packetsReceived'] ?? 0)];
        const [l, r] = [Math.max(0, lost - this.before.lost), received - this.before.received];
        this.before = { lost, received };
        if (l + r === 0) continue;
        const Ta = (roundTrip * 1000) / 2 + Number(s['jitter'] ?? 0) * 1000 + OTHER_DELAY_MS;
        found = rating({ Ppl: (100 * l) / (l + r), Ta, T: Ta, Tr: 2 * Ta, ...CODEC.other });
      }
    return found;
  }

  close(): void {
    this.pc?.close();
    this.pc = null;
    this.element.srcObject = null;
    this.element.remove();
  }

  private connection(of: string): RTCPeerConnection {
    this.pc?.close();
    this.of = of;
    // Without any, host addresses only: no server outside is asked for anything.
    const pc = (this.pc = new RTCPeerConnection({ iceServers: [...this.servers()] }));
    this.waiting = [];
    pc.onicecandidate = ({ candidate }) =>
      candidate && this.send({ kind: 'candidate', candidate: candidate.toJSON(), of });
    pc.ontrack = ({ track }) => {
      this.element.srcObject = new MediaStream([track]);
      this.element.muted = !this.heard;
      void this.element.play().catch(() => {});
    };
    pc.onconnectionstatechange = () => {
      if (pc !== this.pc) return;
      const { connectionState } = pc;
      this.state =
        connectionState === 'connected' || connectionState === 'failed' ? connectionState : 'connecting';
      this.changed();
      if (connectionState === 'failed' && this.offers) void this.offer();
    };
    this.state = 'connecting';
    this.changed();
    return pc;
  }

  private async offer(): Promise<void> {
    const pc = this.connection(nanoid(8));
    await this.sendBy(pc.addTransceiver('audio', { direction: 'sendrecv' }));
    await this.describe(pc);
  }

  private async described(description: RTCSessionDescriptionInit, of: string): Promise<void> {
    if (description.type === 'answer') {
      if (of !== this.of) return;
      if (this.pc?.signalingState === 'have-local-offer') await this.pc.setRemoteDescription(description);
    } else {
      const pc = this.connection(of);
      await pc.setRemoteDescription(description);
      const [transceiver] = pc.getTransceivers();
      if (transceiver) {
        transceiver.direction = 'sendrecv';
        await this.sendBy(transceiver);
      }
      await this.describe(pc);
    }
    for (const candidate of this.waiting.splice(0)) await this.pc?.addIceCandidate(candidate).catch(() => {});
  }

  /** What this window sends goes this way from now on. */
  private async sendBy(transceiver: RTCRtpTransceiver): Promise<void> {
    this.prefer(transceiver);
    this.sender = transceiver.sender;
    await this.sender.replaceTrack(this.sends ? this.track : null);
  }

  /** Says what this side offers or answers, unless another connection has taken its place meanwhile. */
  private async describe(pc: RTCPeerConnection): Promise<void> {
    // It may have been closed before its turn came, or while it is described.
    if (pc !== this.pc) return;
    await pc.setLocalDescription().catch((error: unknown) => {
      if (pc === this.pc) throw error;
    });
    if (pc !== this.pc || !pc.localDescription) return;
    this.send({
      kind: 'description',
      description: pc.localDescription.toJSON() as RTCSessionDescriptionInit,
      of: this.of,
    });
  }

  /** The codecs of the phone's account, in their order; keys as events stay. */
  private prefer(transceiver: RTCRtpTransceiver): void {
    const known = RTCRtpReceiver.getCapabilities('audio')?.codecs ?? [];
    if (!this.codecs.length || !known.length) return;
    const rank = ({ mimeType }: { mimeType: string }) => {
      const i = this.codecs.indexOf(mimeType.replace('audio/', '').toUpperCase());
      return i < 0 ? this.codecs.length : i;
    };
    transceiver.setCodecPreferences([...known].sort((a, b) => rank(a) - rank(b)));
  }
}
