/**
 * What this browser keeps where it is a phone of a business elsewhere: who it is, and what it was told last, sealed with a key
 * that does not leave the browser. It is a database of its own: the one of the administration is never opened.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { fromBytes, makeKeys, random, toBytes, type Bytes, type KeyPair } from '../../channel/sealed';
import type { JoinLink } from '../../channel/link';
import type { DeviceStanding } from '$exchange';

const NAME = 'upper-line-device';

type Paired = Extract<DeviceStanding, { is: 'paired' }>;
export interface Own {
  address: string;
  publicKey: string;
  keys: KeyPair;
  /** What seals what it was told. */
  seals: CryptoKey;
  name: string;
  /** The link it asks by, as long as it is not let in. */
  link: JoinLink | null;
  paired: Paired | null;
}

interface Shape extends DBSchema {
  own: { key: 'own'; value: Own };
  told: { key: string; value: { iv: Bytes; sealed: Bytes } };
}

export class Kept {
  private constructor(private readonly db: IDBPDatabase<Shape>) {}

  static async open(): Promise<Kept> {
    return new Kept(
      await openDB<Shape>(NAME, 1, {
        upgrade(db) {
          db.createObjectStore('own');
          db.createObjectStore('told');
        },
      }),
    );
  }

  own(): Promise<Own | undefined> {
    return this.db.get('own', 'own');
  }
  async keepOwn(own: Own): Promise<void> {
    await this.db.put('own', own, 'own');
  }

  /** Keys of its own, made here and read out by nobody. */
  static async fresh(link: JoinLink, name: string): Promise<Own> {
    const seals = await crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, [
      'encrypt',
      'decrypt',
    ]);
    const { address, publicKey } = link;
    return { address, publicKey, keys: await makeKeys(), seals, name, link, paired: null };
  }

  /** What was told while the device was being shut out is not kept: it is nobody's phone any more. */
  async keepTold({ seals }: Own, part: string, is: unknown): Promise<void> {
    const iv = random(12);
    const sealed = new Uint8Array(await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, seals, toBytes(is)));
    const tx = this.db.transaction(['own', 'told'], 'readwrite');
    if (await tx.objectStore('own').count()) await tx.objectStore('told').put({ iv, sealed }, part);
    await tx.done;
  }
  /** What it was told last, by part; what cannot be opened is left out. */
  async told({ seals }: Own): Promise<Map<string, unknown>> {
    const found = new Map<string, unknown>();
    for (const part of await this.db.getAllKeys('told')) {
      const kept = await this.db.get('told', part);
      if (!kept) continue;
      const plain = await crypto.subtle
        .decrypt({ name: 'AES-GCM', iv: kept.iv }, seals, kept.sealed)
        .catch(() => null);
      if (plain) found.set(part, fromBytes(new Uint8Array(plain)));
    }
    return found;
  }

  /** All of it goes for good. */
  async erase(): Promise<void> {
    const tx = this.db.transaction(['own', 'told'], 'readwrite');
    await Promise.all([tx.objectStore('told').clear(), tx.objectStore('own').clear(), tx.done]);
    for (const key of Object.keys(localStorage))
      if (key.startsWith('upper-line:')) localStorage.removeItem(key);
  }
  close(): void {
    this.db.close();
  }
}
