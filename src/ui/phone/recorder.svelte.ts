/** Recording what the caller says, with the browser's own recorder. */

/** A recording longer than this many bytes is not kept. */
const LARGEST_SOUND = 8_000_000;

export class Recorder {
  on = $state(false);
  problem = $state('');
  /** The recording as a data URL. */
  sound = $state.raw<string | null>(null);
  private recorder: MediaRecorder | null = null;

  async start(): Promise<void> {
    this.problem = '';
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      this.recorder = new MediaRecorder(stream);
      this.recorder.start();
      this.on = true;
    } catch {
      this.problem = 'The browser gives no microphone. Type what you say instead.';
    }
  }

  /** Stops, and keeps what was recorded. */
  async stop(): Promise<void> {
    const { recorder } = this;
    if (!recorder) return;
    const chunks: Blob[] = [];
    recorder.ondataavailable = (event) => chunks.push(event.data);
    await new Promise((resolve) => {
      recorder.onstop = resolve;
      recorder.stop();
    });
    for (const track of recorder.stream.getTracks()) track.stop();
    const blob = new Blob(chunks, { type: recorder.mimeType.split(';')[0] ?? 'audio/webm' });
    this.on = false;
    this.recorder = null;
    if (blob.size > LARGEST_SOUND) this.problem = 'That was too long to keep. Record something shorter.';
    else this.sound = await asDataUrl(blob);
  }
}

const asDataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('The recording cannot be read.'));
    reader.readAsDataURL(blob);
  });
