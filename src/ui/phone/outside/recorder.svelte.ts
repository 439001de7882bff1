/** Recording what the caller says, kept as a data URL. */
import { Microphone } from '../../recordings/microphone.svelte';

export class Recorder {
  private microphone = new Microphone();
  /** The recording as a data URL. */
  sound = $state.raw<string | null>(null);

  get on(): boolean {
    return this.microphone.on;
  }
  /** How loud it is now, 0 to 1. */
  get level(): number {
    return this.microphone.level;
  }
  get problem(): string {
    const { problem } = this.microphone;
    return problem && !this.on && !this.sound ? `${problem} Type what you say instead.` : problem;
  }

  start(): Promise<void> {
    return this.microphone.start(() => void this.stop());
  }

  /** Stops, and keeps what was recorded. */
  async stop(): Promise<void> {
    const blob = await this.microphone.stop();
    if (blob) this.sound = await asDataUrl(blob);
  }
}

const asDataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('The recording cannot be read.'));
    reader.readAsDataURL(blob);
  });
