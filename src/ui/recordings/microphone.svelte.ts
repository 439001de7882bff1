/** The microphone: recording with a level to watch, and nothing lost when it is taken away in the middle. */

/** A recording longer than this many bytes is not kept. */
const LARGEST = 20_000_000;
/** Pieces of so many milliseconds: what was recorded before the microphone was lost is there. */
const PIECE_MS = 250;

export class Microphone {
  on = $state(false);
  problem = $state('');
  /** How loud it is now, 0 to 1. */
  level = $state(0);
  seconds = $state(0);
  private recorder: MediaRecorder | null = null;
  private context: AudioContext | null = null;
  private pieces: Blob[] = [];
  private frame = 0;
  private began = 0;

  /** @param lost is told when the microphone goes away by itself; what was recorded is then asked for by stop() */
  async start(lost: () => void = () => {}): Promise<void> {
    this.problem = '';
    this.pieces = [];
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({ audio: true });
    } catch (error) {
      const refused = error instanceof DOMException && error.name === 'NotAllowedError';
      this.problem = refused
        ? 'The microphone is not allowed. Allow it in the browser’s settings for this page.'
        : 'The browser finds no microphone. Plug one in.';
      return;
    }
    this.recorder = new MediaRecorder(stream);
    this.recorder.ondataavailable = (event) => this.pieces.push(event.data);
    this.recorder.start(PIECE_MS);
    stream.getAudioTracks()[0]!.onended = () => {
      this.problem = 'The microphone went away. What was recorded until then is kept.';
      lost();
    };
    this.began = performance.now();
    this.seconds = 0;
    this.on = true;
    this.watch(stream);
  }

  /** Stops. @returns what was recorded, or null where there is nothing, or too much */
  async stop(): Promise<Blob | null> {
    const { recorder } = this;
    if (!recorder) return null;
    if (recorder.state !== 'inactive')
      await new Promise((resolve) => {
        recorder.onstop = resolve;
        recorder.stop();
      });
    for (const track of recorder.stream.getTracks()) track.stop();
    cancelAnimationFrame(this.frame);
    void this.context?.close();
    this.context = this.recorder = null;
    this.on = false;
    this.level = 0;
    const blob = new Blob(this.pieces, { type: recorder.mimeType.split(';')[0] ?? 'audio/webm' });
    this.pieces = [];
    if (blob.size > LARGEST) {
      this.problem = 'That was too long to keep. Record something shorter.';
      return null;
    }
    return blob.size ? blob : null;
  }

  private watch(stream: MediaStream): void {
    this.context = new AudioContext();
    const analyser = new AnalyserNode(this.context, { fftSize: 1024 });
    this.context.createMediaStreamSource(stream).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const look = () => {
      analyser.getFloatTimeDomainData(samples);
      this.level = samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0);
      this.seconds = (performance.now() - this.began) / 1000;
      this.frame = requestAnimationFrame(look);
    };
    look();
  }
}
