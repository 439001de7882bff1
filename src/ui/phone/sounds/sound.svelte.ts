/** The microphone and the loudspeakers of this device, to choose from and to try. */

export interface SoundDevice {
  id: string;
  name: string;
}

/** Names of devices are only told once the microphone is allowed. */
async function devicesOf(kind: MediaDeviceKind): Promise<SoundDevice[]> {
  const all = await navigator.mediaDevices.enumerateDevices();
  return all
    .filter((d) => d.kind === kind && d.deviceId !== '')
    .map((d, i) => ({
      id: d.deviceId,
      name: d.label || `${kind === 'audioinput' ? 'microphone' : 'speaker'} ${i + 1}`,
    }));
}

export class SoundCheck {
  microphone = $state<'granted' | 'denied' | 'prompt'>('prompt');
  microphones = $state.raw<SoundDevice[]>([]);
  speakers = $state.raw<SoundDevice[]>([]);
  /** How loud it is, 0 to 1. */
  level = $state(0);
  problem = $state('');
  private stream: MediaStream | null = null;
  private context: AudioContext | null = null;
  private frame = 0;

  /** Looks what was allowed before, without asking. */
  async look(): Promise<void> {
    try {
      const { state } = await navigator.permissions.query({ name: 'microphone' as PermissionName });
      this.microphone = state;
      if (state === 'granted') await this.list();
    } catch {
      // Some browsers do not tell: then it is asked when it is needed.
    }
  }

  /** Asks for the microphone and shows how loud it is. @param id of a microphone, or '' for the usual one */
  async listen(id: string): Promise<void> {
    this.stop();
    this.problem = '';
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({
        audio: id ? { deviceId: { exact: id } } : true,
      });
      this.microphone = 'granted';
    } catch (error) {
      const name = error instanceof DOMException ? error.name : '';
      if (name === 'NotAllowedError') this.microphone = 'denied';
      this.problem =
        name === 'NotFoundError'
          ? 'No microphone was found. Plug one in and try again.'
          : name === 'NotAllowedError'
            ? 'The browser refuses the microphone. Allow it in its settings for this page.'
            : 'This microphone cannot be used. Choose another one.';
      return;
    }
    await this.list();
    this.context = new AudioContext();
    const analyser = this.context.createAnalyser();
    analyser.fftSize = 1024;
    this.context.createMediaStreamSource(this.stream).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const measure = () => {
      analyser.getFloatTimeDomainData(samples);
      const power = samples.reduce((sum, s) => sum + s * s, 0) / samples.length;
      // From -60 dB, a quiet room, to 0 dB, as loud as it goes.
      const level = Math.max(0, Math.min(1, 1 + Math.log10(Math.max(power, 1e-6)) / 6));
      this.level = Math.max(level, this.level * 0.9);
      this.frame = requestAnimationFrame(measure);
    };
    measure();
  }

  /** Plays a tone of a second. @param id of a loudspeaker, or '' for the usual one */
  async playTone(id: string): Promise<void> {
    this.problem = '';
    const context = new AudioContext();
    try {
      if (id) await (context as AudioContext & { setSinkId?(id: string): Promise<void> }).setSinkId?.(id);
      await context.resume();
      const gain = new GainNode(context, { gain: 0.15 });
      const tone = new OscillatorNode(context, { frequency: 440 });
      tone.connect(gain).connect(context.destination);
      tone.start();
      await new Promise((resolve) => setTimeout(resolve, 1000));
      tone.stop();
    } catch {
      this.problem = 'This speaker cannot be used. Choose another one.';
    }
    await context.close();
  }

  stop(): void {
    cancelAnimationFrame(this.frame);
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    void this.context?.close();
    this.stream = this.context = null;
    this.level = 0;
  }

  private async list(): Promise<void> {
    this.microphones = await devicesOf('audioinput');
    this.speakers = await devicesOf('audiooutput');
  }
}
