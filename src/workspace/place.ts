/** What an act needs of where it is done: a window's workspace has it, and the exchange for a phone. */
import type { OneByOne } from './stored/kinds';
import type { Db } from './stored/db';

export interface Place {
  readonly db: Db;
  /** The business. */
  readonly id: string;
  /** Name of who does it; undefined is whoever runs the system. */
  readonly by?: string | undefined;
  /** Bench time, epoch milliseconds. */
  now(): number;
  /** What somebody is called. */
  nameOf(personId: string): string | undefined;
  /** Records were changed in storage: shown here, and told to other windows. */
  changedOnes(what: OneByOne, ids?: readonly string[]): Promise<void>;
}
