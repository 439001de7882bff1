/** How messages pass between an exchange and its phones. Here it is a channel of the browser; another may take its place. */
export interface Passes<In, Out> {
  send(message: Out): void;
  close(): void;
  onmessage: (message: In) => void;
}

/** Between windows of one browser. */
export class InThisBrowser<In, Out> implements Passes<In, Out> {
  private readonly channel: BroadcastChannel;
  onmessage: (message: In) => void = () => {};

  constructor(name: string) {
    this.channel = new BroadcastChannel(name);
    this.channel.onmessage = ({ data }: MessageEvent<In>) => this.onmessage(data);
  }
  send(message: Out): void {
    this.channel.postMessage(message);
  }
  close(): void {
    this.channel.close();
  }
}
