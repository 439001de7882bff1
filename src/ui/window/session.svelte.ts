/** What this window is: its database, the business it shows, what is wrong with that, and what to say to the person. */
import { speedOf, type ClockSetting } from '$standins/clock/clock';
import {
  Changes,
  DB_NAME,
  NewerData,
  NotStored,
  openDatabase,
  Workspace,
  writeWhole,
  type Db,
  type WayOn,
  type Whole,
} from '$workspace';
import { freshId } from '../ids';
import type { Here } from './here';
import type { Notice } from './notice';
import { OpenBusiness } from './open-business.svelte';
import { givePast } from './past';

export interface Trouble {
  why: 'newer' | 'damaged' | 'missing' | 'storage';
  message: string;
  raw: unknown;
  /** The business it is about, and the ways on there are. */
  businessId?: string;
  ways?: WayOn[];
}

/** So long something is shown, in milliseconds; it can be read later too. */
const SHOWN_MS = { success: 10_000, info: 10_000, error: 30_000 } as const;
/** So much of what was said is kept to be read later. */
export const MOST_TOLD = 100;

class Session {
  /** The business that is shown; null until it is open. */
  business = $state.raw<OpenBusiness | null>(null);
  trouble = $state.raw<Trouble | null>(null);
  notices = $state.raw<Notice[]>([]);
  db: Db | null = null;
  changes: Changes | null = null;

  /** Opens the database and a business in it. @param first what a new browser starts with */
  async start(first: () => Whole, businessId?: string): Promise<void> {
    window.addEventListener('unhandledrejection', this.untold);
    window.addEventListener('beforeunload', this.askBeforeLeaving);
    try {
      this.db ??= await openDatabase();
      this.changes ??= new Changes();
      const remembered = businessId ?? (await this.db.get('settings', 'business'));
      const ids = await this.db.getAllKeys('businesses');
      let id = typeof remembered === 'string' && ids.includes(remembered) ? remembered : ids[0];
      if (businessId && !ids.includes(businessId)) {
        this.trouble = { why: 'missing', message: 'This business is not in this browser.', raw: null };
        return;
      }
      if (!id) {
        const whole = first();
        await writeWhole(this.db, whole);
        this.changes.tell({ businessId: whole.business.id, what: 'businesses' });
        id = whole.business.id;
      }
      await this.open(id);
    } catch (error) {
      const newer = error instanceof NewerData;
      const message = error instanceof Error ? error.message : String(error);
      this.trouble = { why: newer ? 'newer' : 'storage', message, raw: DB_NAME };
    }
  }

  /** Shows another business. What cannot be read stays as it is and is offered as a file. */
  async open(id: string): Promise<void> {
    const opened = await Workspace.open(this.db!, this.changes!, id);
    if (!opened.ok) {
      this.trouble = { ...opened, businessId: id };
      return;
    }
    this.business?.close();
    this.trouble = null;
    this.business = new OpenBusiness(opened.workspace, this.db!, this.changes!, this.say);
    // Where it cannot be had, the demonstration is without; the bench lays it down as well.
    void givePast(this.business).catch(() => {});
  }

  /** The phone this window is, where it is one: it opens no database. */
  phone = $state.raw<(Here & { readonly clock: ClockSetting; tick(): void }) | null>(null);

  /** How many times as fast as real time it goes here. */
  get speed(): number {
    const clock = this.phone?.clock ?? this.business?.view.clock;
    return clock ? speedOf(clock) : 1;
  }
  /** Brings the time up to date. */
  tick(): void {
    this.business?.tick();
    this.phone?.tick();
  }

  /** What was said before, the newest first, to be read later; so many are kept. */
  told = $state.raw<Notice[]>([]);
  readonly say = (notice: Omit<Notice, 'id'>): void => {
    const full = { ...notice, id: freshId('notice'), at: this.business?.workspace.now() ?? Date.now() };
    const passing = this.notices.filter((n) => !n.stays);
    this.notices = [...this.notices.filter((n) => n.stays || passing.slice(-2).includes(n)), full];
    this.told = [full, ...this.told].slice(0, MOST_TOLD);
    if (!notice.stays) setTimeout(() => this.unsay(full.id), SHOWN_MS[notice.kind]);
  };
  unsay(id: string): void {
    this.notices = this.notices.filter((n) => n.id !== id);
  }

  /** What could not be stored and nobody else has told of. */
  private untold = (event: PromiseRejectionEvent): void => {
    if (!(event.reason instanceof NotStored)) return;
    event.preventDefault();
    this.say({ kind: 'error', title: 'Not done', detail: event.reason.message });
  };
  private askBeforeLeaving = (event: BeforeUnloadEvent): void => {
    if (this.db?.state.pending) event.preventDefault();
  };
}

/** The one session of this window. */
export const session = new Session();

/**
 * The business that is shown, for everything that is only there when one is. Reactive.
 * @throws where none is open: pages are not drawn then
 */
export function theBusiness(): OpenBusiness {
  if (!session.business) throw new Error('No business is open.');
  return session.business;
}

/**
 * What this window knows of its business, whether it is a page of the administration or a phone. Reactive.
 * @throws where none is open
 */
export function here(): Here {
  return session.phone ?? theBusiness();
}
