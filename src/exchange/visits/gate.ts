/**
 * The exchange's door for visitors of a site. Anybody knows where it is, so it has an address of its own at the relay: whoever
 * fills it takes nothing from phones.
 */
import type { RelayClient, RelayTold } from '../../channel/relay';
import {
  fromBytes,
  hear,
  ofBase64Url,
  readPrivate,
  toBytes,
  type Bytes,
  type KeyPair,
} from '../../channel/sealed';
import { keysIn, readMany, visitTokenOf, type Change } from '../../workspace';
import { Greeting, PROLOGUE, type Standing } from '../devices/words';
import type { VisitPlace } from './desk';
import { FarVisit } from './far';

/** So many visitors are served at once, and so long one may be there who says nothing, in milliseconds. Common practice, no source. */
const MOST_VISITORS = 40;
const SILENT_MS = 15_000;

type Relay = Pick<RelayClient, 'send' | 'drop' | 'close'>;

export interface VisitDoor extends VisitPlace {
  /** Connects to a relay. */
  relay(token: string, told: RelayTold): Relay;
}

interface Post {
  businessId: string;
  publicKey: string;
  pair: KeyPair;
  relay: Relay;
  visitors: Map<string, FarVisit>;
  /** Those who have said nothing yet, or are not served. */
  strangers: Map<string, ReturnType<typeof setTimeout>>;
  /** What comes is dealt with in order. */
  work: Promise<void>;
}

export class VisitGate {
  private readonly posts = new Map<string, Post>();
  private closed = false;

  constructor(private readonly door: VisitDoor) {}

  /** Connects the businesses that have call buttons in force and keys to be known by, and no others. */
  async look(): Promise<void> {
    const ids = await this.door.db.getAllKeys('businesses');
    for (const id of this.posts.keys()) if (!ids.includes(id)) this.end(id);
    for (const id of ids) await this.lookAt(id);
  }
  async changed({ businessId, what }: Change): Promise<void> {
    if (what === 'businesses') return this.look();
    if (businessId !== null && (what === 'devices' || what === 'in force')) await this.lookAt(businessId);
  }
  close(): void {
    this.closed = true;
    for (const id of [...this.posts.keys()]) this.end(id);
  }

  private async lookAt(businessId: string): Promise<void> {
    const keys = keysIn(await readMany(this.door.db, 'devices', businessId));
    const buttons = keys && (await this.door.inForce(businessId))?.buttons;
    const wanted = keys !== undefined && Object.keys(buttons ?? {}).length > 0;
    const post = this.posts.get(businessId);
    if (post && (!wanted || post.publicKey !== keys.publicKey)) this.end(businessId);
    if (!wanted || this.closed || this.posts.has(businessId)) return;
    const [publicKey, secret] = [ofBase64Url(keys.publicKey), ofBase64Url(keys.privateKey)];
    if (!publicKey || !secret) return;
    const pair = { publicKey, privateKey: await readPrivate(secret) };
    const token = await visitTokenOf(keys);
    if (!this.closed && !this.posts.has(businessId)) this.begin(businessId, keys.publicKey, pair, token);
  }

  private begin(businessId: string, publicKey: string, pair: KeyPair, token: string): void {
    const allGo = () => {
      for (const peer of [...post.visitors.keys(), ...post.strangers.keys()]) this.went(post, peer);
    };
    const post: Post = {
      businessId,
      publicKey,
      pair,
      visitors: new Map(),
      strangers: new Map(),
      work: Promise.resolve(),
      relay: this.door.relay(token, {
        connected: () => {},
        cut: allGo,
        exchange: () => {},
        came: (peer) => this.isStrange(post, peer),
        went: (peer) => this.inTurn(post, async () => this.went(post, peer)),
        piece: (peer, piece) => this.inTurn(post, () => this.heard(post, peer, piece)),
        replaced: allGo,
      }),
    };
    this.posts.set(businessId, post);
  }

  private end(businessId: string): void {
    const post = this.posts.get(businessId);
    if (!post) return;
    this.posts.delete(businessId);
    for (const visitor of post.visitors.values()) visitor.close();
    for (const timer of post.strangers.values()) clearTimeout(timer);
    post.relay.close();
  }

  private inTurn(post: Post, job: () => Promise<void>): void {
    post.work = post.work
      .then(job)
      .catch((error: unknown) => console.error('A visitor could not be dealt with', error));
  }

  private isStrange(post: Post, peer: string): void {
    post.strangers.set(
      peer,
      setTimeout(() => {
        post.strangers.delete(peer);
        post.relay.drop(peer);
      }, SILENT_MS),
    );
  }
  private isKnown(post: Post, peer: string): void {
    clearTimeout(post.strangers.get(peer));
    post.strangers.delete(peer);
  }

  private went(post: Post, peer: string): void {
    this.isKnown(post, peer);
    post.visitors.get(peer)?.close();
    post.visitors.delete(peer);
  }

  private async heard(post: Post, peer: string, piece: Bytes): Promise<void> {
    const known = post.visitors.get(peer);
    if (known) return known.receive(piece);
    let greeting: Greeting;
    let heard: Awaited<ReturnType<typeof hear>>;
    try {
      heard = await hear(post.pair, PROLOGUE, piece);
      greeting = Greeting.parse(fromBytes(heard.payload));
    } catch {
      // Not meant for us, altered, or of a version that we do not know: there is nobody to answer.
      return post.relay.drop(peer);
    }
    const full = post.visitors.size >= MOST_VISITORS;
    const standing: Standing = full
      ? { is: 'refused', why: 'Very many are here just now: please dial the number instead.' }
      : { is: 'visit' };
    const { message, keys } = await heard.answer(toBytes(standing));
    if (!full) {
      this.isKnown(post, peer);
      const over = () =>
        this.inTurn(post, async () => {
          this.went(post, peer);
          post.relay.drop(peer);
        });
      const send = (sealed: Bytes) => post.relay.send(sealed, peer);
      post.visitors.set(
        peer,
        new FarVisit(keys, this.door, post.businessId, greeting.visits ?? '', send, over),
      );
    }
    post.relay.send(message, peer);
  }
}
