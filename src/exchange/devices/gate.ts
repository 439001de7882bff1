/**
 * The exchange's door for phones on other machines: for each business that has any, or has invited some, it is connected to the
 * relay, hears who asks to come in, and lets in whoever may.
 */
import type { RelayClient, RelayTold } from '../../channel/relay';
import {
  base64Url,
  fromBytes,
  hear,
  ofBase64Url,
  readPrivate,
  toBytes,
  type Bytes,
  type KeyPair,
} from '../../channel/sealed';
import { whoseName } from '../../core/calls';
import type { System } from '../../core/system';
import {
  devicesIn,
  join,
  keysIn,
  mayComeBy,
  readMany,
  sawDevice,
  type Change,
  type Changes,
  type Db,
  type Device,
  type ExchangeKeys,
} from '../../workspace';
import { phoneLock } from '../protocol';
import { Lingering } from './lingering';
import { Session, type Hold } from './session';
import { Greeting, PROLOGUE, type Standing } from './words';

/** What the gate needs of the switch. */
export interface Door {
  /** Bench time, epoch milliseconds. */
  now(): number;
  /** The business as its phones know it, draft included; undefined where it is not here. */
  system(businessId: string): Promise<System | undefined>;
  hold: Hold;
  /** Connects to a relay. */
  relay(token: string, told: RelayTold): Pick<RelayClient, 'send' | 'drop' | 'close' | 'wake'>;
}

/** How it is with one business. */
export interface GateState {
  businessId: string;
  /** Connected to the relay; or why not, in words, empty where it was cut off. */
  connected: boolean;
  why: string;
  /** Another window, somewhere, is the exchange of this business now. */
  replaced: boolean;
  /** Devices that are connected. */
  devices: string[];
}

interface Post {
  businessId: string;
  keys: ExchangeKeys;
  pair: KeyPair;
  relay: Pick<RelayClient, 'send' | 'drop' | 'close' | 'wake'>;
  sessions: Map<string, { session: Session; publicKey: string; deviceId: string | null }>;
  state: GateState;
  /** What comes is dealt with in order. */
  work: Promise<void>;
}

export class Gate {
  private readonly posts = new Map<string, Post>();
  private closed = false;
  private readonly lingering: Lingering;

  constructor(
    private readonly db: Db,
    private readonly changes: Changes,
    private readonly door: Door,
    private readonly told: (states: GateState[]) => void = () => {},
  ) {
    this.lingering = new Lingering(door.hold);
  }

  get states(): GateState[] {
    return [...this.posts.values()].map((p) => p.state);
  }

  /** Connects what is to be connected, and no more. */
  async look(): Promise<void> {
    const ids = await this.db.getAllKeys('businesses');
    for (const id of this.posts.keys()) if (!ids.includes(id)) this.end(id);
    for (const id of ids) await this.lookAt(id);
  }

  async changed({ businessId, what }: Change): Promise<void> {
    if (what === 'businesses') return this.look();
    if (businessId === null || (what !== 'devices' && what !== 'invitations' && what !== 'in force')) return;
    await this.lookAt(businessId);
    const post = this.posts.get(businessId);
    if (!post) return;
    const devices = devicesIn(await readMany(this.db, 'devices', businessId));
    for (const { session, deviceId } of [...post.sessions.values()]) {
      const device = devices.find((d) => d.id === deviceId);
      if (device) await session.stand(await this.standingOf(device));
    }
  }

  /** Another browser had answered in its place; it is to be this one again. */
  async again(businessId: string): Promise<void> {
    this.end(businessId);
    await this.lookAt(businessId);
  }

  close(): void {
    this.closed = true;
    for (const id of [...this.posts.keys()]) this.end(id);
    this.lingering.close();
  }

  private async lookAt(businessId: string): Promise<void> {
    const records = await readMany(this.db, 'devices', businessId);
    const keys = keysIn(records);
    const wanted =
      keys !== undefined &&
      (devicesIn(records).length > 0 ||
        (await readMany(this.db, 'invitations', businessId)).some((i) => mayComeBy(i, this.door.now())));
    const post = this.posts.get(businessId);
    if (post && (!wanted || post.keys.publicKey !== keys.publicKey)) this.end(businessId);
    if (wanted && !this.closed && !this.posts.has(businessId)) await this.begin(businessId, keys);
  }

  private async begin(businessId: string, keys: ExchangeKeys): Promise<void> {
    const [publicKey, secret] = [ofBase64Url(keys.publicKey), ofBase64Url(keys.privateKey)];
    if (!publicKey || !secret) return;
    const pair = { publicKey, privateKey: await readPrivate(secret) };
    if (this.posts.has(businessId) || this.closed) return;
    const state: GateState = { businessId, connected: false, why: '', replaced: false, devices: [] };
    const post: Post = {
      businessId,
      keys,
      pair,
      sessions: new Map(),
      state,
      work: Promise.resolve(),
      relay: this.door.relay(keys.token, {
        connected: () => this.say(post, { connected: true, why: '', replaced: false }),
        cut: (why) => {
          this.say(post, { connected: false, why });
          for (const peer of [...post.sessions.keys()]) this.went(post, peer);
        },
        exchange: () => {},
        came: () => {},
        went: (peer) => this.inTurn(post, async () => this.went(post, peer)),
        piece: (peer, piece) => this.inTurn(post, () => this.heard(post, peer, piece)),
        replaced: () => {
          this.say(post, { connected: false, replaced: true });
          for (const peer of [...post.sessions.keys()]) this.went(post, peer);
        },
      }),
    };
    this.posts.set(businessId, post);
    // Phones of an exchange that begins here anew come back at once, and some of them are in a talk: it is not ended meanwhile.
    for (const device of devicesIn(await readMany(this.db, 'devices', businessId)))
      if (device.state === 'paired') this.lingering.take(phoneLock(businessId, device.phoneId))(false);
    this.told(this.states);
  }

  private end(businessId: string): void {
    const post = this.posts.get(businessId);
    if (!post) return;
    this.posts.delete(businessId);
    for (const { session } of post.sessions.values()) session.close();
    post.relay.close();
    this.told(this.states);
  }

  private say(post: Post, change: Partial<GateState>): void {
    post.state = { ...post.state, ...change };
    this.told(this.states);
  }
  private here(post: Post): void {
    this.say(post, { devices: [...post.sessions.values()].flatMap((s) => s.deviceId ?? []) });
  }

  private inTurn(post: Post, job: () => Promise<void>): void {
    post.work = post.work
      .then(job)
      .catch((error: unknown) => console.error('A device could not be dealt with', error));
  }

  private went(post: Post, peer: string): void {
    const entry = post.sessions.get(peer);
    entry?.session.close();
    if (!post.sessions.delete(peer)) return;
    this.here(post);
    if (entry?.deviceId) this.inTurn(post, () => this.seen(post, entry.deviceId!));
  }

  /** A device was there until now. */
  private async seen({ businessId }: Post, id: string): Promise<void> {
    const device = devicesIn(await readMany(this.db, 'devices', businessId)).find((d) => d.id === id);
    if (device) await sawDevice(this.db, this.changes, device, this.door.now(), device.version);
  }

  private async heard(post: Post, peer: string, piece: Bytes): Promise<void> {
    const known = post.sessions.get(peer);
    if (known) return known.session.receive(piece);
    let greeting: Greeting;
    let heard: Awaited<ReturnType<typeof hear>>;
    try {
      heard = await hear(post.pair, PROLOGUE, piece);
      greeting = Greeting.parse(fromBytes(heard.payload));
    } catch {
      // Not meant for us, altered, or of a version that we do not know: there is nobody to answer.
      return post.relay.drop(peer);
    }
    const publicKey = base64Url(heard.theirs);
    const of = devicesIn(await readMany(this.db, 'devices', post.businessId)).find(
      (d) => d.publicKey === publicKey,
    );
    // Whether a link may be used is looked at once it is known that whoever sent this greeting has made it, too.
    const standing: Standing = of
      ? await this.standingOf(of)
      : greeting.join
        ? { is: 'asks', business: '' }
        : { is: 'refused', why: 'This phone is not known here any more. Ask for a new invitation.' };
    const { message, keys } = await heard.answer(toBytes(standing));
    const session = new Session(
      keys,
      standing,
      (name) => this.lingering.take(name),
      (sealed) => post.relay.send(sealed, peer),
      () => this.inTurn(post, () => this.ready(post, peer, greeting)),
      () =>
        this.inTurn(post, async () => {
          this.went(post, peer);
          post.relay.drop(peer);
        }),
    );
    post.sessions.set(peer, { session, publicKey, deviceId: of?.id ?? null });
    post.relay.send(message, peer);
  }

  /** Who greeted is who they say: a link is tried now, and one that is known was seen. */
  private async ready(post: Post, peer: string, { join: asks, version }: Greeting): Promise<void> {
    const entry = post.sessions.get(peer);
    if (!entry) return;
    const { session, publicKey } = entry;
    const now = this.door.now();
    if (entry.deviceId === null && asks) {
      const says = { ...asks, publicKey, version };
      const joined = await join(this.db, this.changes, post.businessId, says, now);
      if (!joined.ok) return session.stand({ is: 'refused', why: joined.message });
      entry.deviceId = joined.device.id;
      await session.stand(await this.standingOf(joined.device));
    }
    const device = devicesIn(await readMany(this.db, 'devices', post.businessId)).find(
      (d) => d.id === entry.deviceId,
    );
    if (!device) return;
    // The same device twice: the older connection is one that has not noticed yet that it is over.
    for (const [other, { deviceId, session: before }] of post.sessions)
      if (other !== peer && deviceId === device.id) {
        before.close();
        post.sessions.delete(other);
        post.relay.drop(other);
      }
    this.here(post);
    await sawDevice(this.db, this.changes, device, now, version);
  }

  private async standingOf({ state, why, businessId, phoneId }: Device): Promise<Standing> {
    const system = await this.door.system(businessId);
    const business = system?.business.name ?? '';
    switch (state) {
      case 'asks':
        return { is: 'asks', business };
      case 'suspended':
        return { is: 'suspended', why: why ?? '' };
      case 'shut out':
        return { is: 'shut out' };
      case 'paired': {
        const phone = system?.phones[phoneId];
        // It may be there again, by an undo or once a move is done: nothing is given up for that.
        if (!system)
          return { is: 'suspended', why: 'The business cannot be read just now. Keep this page open.' };
        if (!phone) return { is: 'suspended', why: 'This phone has been removed from the business.' };
        return {
          is: 'paired',
          business,
          businessId,
          phoneId,
          who: `${whoseName(system, phoneId)}, ${phone.name}`,
        };
      }
    }
  }
}
