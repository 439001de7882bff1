/** One end of a relay: connects, sends in order, connects again when it was cut off, and says how it is. */
import { base64Url, ofBase64Url, type Bytes } from '../sealed';
import { ALIVE_MS, MOST_PIECES, type Drop, type FromRelay, type Hello, type Pass } from './protocol';
import type { z } from 'zod';

/** After a connection was cut off it is tried again, later each time, in milliseconds. */
const AGAIN_MS = [200, 500, 1000, 2000, 5000, 10_000];
/** Without a line for so long nobody is there any more. */
const SILENT_MS = ALIVE_MS * 2.5;

export interface RelayTold {
  connected(): void;
  /** @param why in words; empty where it was cut off */
  cut(why: string): void;
  /** The exchange is there, or not; for phones. */
  exchange(there: boolean): void;
  came(peer: string): void;
  went(peer: string): void;
  piece(from: string, piece: Bytes): void;
  /** Another is the exchange of this address: this one stays away. */
  replaced(): void;
}

interface Waiting {
  to?: string;
  piece: string;
}

/** How requests are made; tests put another in its place. */
export type Fetch = (path: string, body: unknown, signal: AbortSignal) => Promise<Response>;
/** @param server its origin; empty is the one the page came from */
export const fetchFrom =
  (server: string): Fetch =>
  (path, body, signal) =>
    fetch(`${server}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal,
      cache: 'no-store',
    });

export class RelayClient {
  private ticket: string | null = null;
  private waiting: Waiting[] = [];
  private posting = false;
  private tries = 0;
  private cutNow: AbortController | null = null;
  private later: ReturnType<typeof setTimeout> | undefined;
  private closed = false;

  constructor(
    private readonly hello: Hello,
    private readonly told: RelayTold,
    private readonly fetching: Fetch,
  ) {
    void this.connect();
  }

  get isConnected(): boolean {
    return this.ticket !== null;
  }

  /** In order; where nobody is connected it is lost, and whoever sent it sends it again. */
  send(piece: Bytes, to?: string): void {
    if (!this.ticket) return;
    this.waiting.push({ piece: base64Url(piece), ...(to ? { to } : {}) });
    if (!this.posting) void this.post();
  }

  /** Has no more to do with a phone. */
  drop(peer: string): void {
    const { ticket, cutNow } = this;
    if (!ticket || !cutNow) return;
    const body = { ticket, drop: peer } satisfies z.infer<typeof Drop>;
    void this.fetching('/api/relay/drop', body, cutNow.signal).catch(() => {});
  }

  /** Begins a new connection at once: on this one nothing can be believed any more. */
  anew(): void {
    this.tries = 0;
    this.cutNow?.abort();
  }

  /** Tries at once, where it waits to try again. */
  wake(): void {
    if (this.closed || this.cutNow) return;
    clearTimeout(this.later);
    void this.connect();
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.later);
    this.cutNow?.abort();
    this.ticket = null;
  }

  private async connect(): Promise<void> {
    if (this.closed || this.cutNow) return;
    const cut = (this.cutNow = new AbortController());
    let why = '';
    try {
      const response = await this.fetching('/api/relay', this.hello, cut.signal);
      if (!response.ok || !response.body) why = await wordsOf(response);
      else await this.read(response.body, cut);
    } catch {
      // Cut off.
    }
    cut.abort();
    if (this.cutNow === cut) this.cutNow = null;
    this.ticket = null;
    this.waiting = [];
    if (this.closed) return;
    this.told.cut(why);
    const ms = AGAIN_MS[Math.min(this.tries++, AGAIN_MS.length - 1)]!;
    this.later = setTimeout(() => void this.connect(), ms);
  }

  private async read(body: ReadableStream<Uint8Array>, cut: AbortController): Promise<void> {
    const reader = body
      .pipeThrough(new TextDecoderStream() as unknown as TransformStream<Uint8Array, string>)
      .getReader();
    let silent: ReturnType<typeof setTimeout> | undefined;
    const heard = () => {
      clearTimeout(silent);
      silent = setTimeout(() => cut.abort(), SILENT_MS);
    };
    cut.signal.addEventListener('abort', () => void reader.cancel().catch(() => {}));
    try {
      let rest = '';
      heard();
      for (;;) {
        const { value, done } = await reader.read();
        if (done || this.closed) return;
        heard();
        const lines = (rest + value).split('\n');
        rest = lines.pop()!;
        for (const line of lines) if (line) this.take(JSON.parse(line) as FromRelay);
      }
    } finally {
      clearTimeout(silent);
    }
  }

  private take(line: FromRelay): void {
    switch (line.is) {
      case 'connected':
        this.ticket = line.ticket;
        this.tries = 0;
        return this.told.connected();
      case 'exchange':
        return this.told.exchange(line.there);
      case 'came':
        return this.told.came(line.peer);
      case 'went':
        return this.told.went(line.peer);
      case 'piece': {
        const piece = ofBase64Url(line.piece);
        return piece && this.told.piece(line.from, piece);
      }
      case 'replaced':
        this.close();
        return this.told.replaced();
      case 'alive':
        return;
    }
  }

  private async post(): Promise<void> {
    this.posting = true;
    try {
      for (let next = this.waiting[0]; next && this.ticket && this.cutNow; next = this.waiting[0]) {
        const { to } = next;
        let n = 1;
        while (n < MOST_PIECES && n < this.waiting.length && this.waiting[n]!.to === to) n++;
        const pieces = this.waiting.splice(0, n).map((w) => w.piece);
        const { ticket } = this;
        const response = await this.fetching(
          '/api/relay/pass',
          { ticket, ...(to ? { to } : {}), pieces } satisfies Pass,
          this.cutNow.signal,
        );
        await response.body?.cancel();
        // Whoever sends too much goes slower; what could not be passed on ends the connection it was of.
        if (response.status === 429) {
          this.waiting.unshift(...pieces.map((piece) => ({ piece, ...(to ? { to } : {}) })));
          await new Promise((resolve) => setTimeout(resolve, 250));
        } else if (response.status === 404 && to) this.told.went(to);
        else if (!response.ok && !to) this.cutNow?.abort();
      }
    } catch {
      // Cut off: the connection says so itself.
    } finally {
      this.posting = false;
    }
  }
}

async function wordsOf(response: Response): Promise<string> {
  const said = (await response.json().catch(() => null)) as { detail?: unknown } | null;
  return typeof said?.detail === 'string' ? said.detail : `The server answered ${response.status}.`;
}
