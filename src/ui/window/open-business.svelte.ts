/** The business that this window shows: its workspace as reactive state, what is found of it, and what was done in it. */
import { troubledBy } from '$core/followups';
import { localTime, writeAs, writingOf } from '$core/hours';
import { writeNumber } from '$core/numbering';
import { may, type Act } from '$core/people';
import { asPaired, type Edit, type Problem, type Role, type System } from '$core/system';
import { carriesTexts } from '$standins/carrier/texting';
import { deliveryOf, usualDomain, type Delivery } from '$standins/mail/post';
import {
  settable,
  type Changes,
  type Db,
  type Done,
  type Invitation,
  type VersionRecord,
  type View,
  type Workspace,
} from '$workspace';
import { ActsDone, type Back } from './acts-done';
import { Checks } from './checks.svelte';
import type { Here, Texting } from './here';
import { OfficeDeeds } from './office-deeds';
import { momentText } from '../format';
import type { Notice } from './notice';
import { LogHere } from '../log/reader.svelte';
import type { Known } from '../phones/where';
import { SettingsMade } from '../reach/made';

const actorKey = (businessId: string): string => `upper-line:actor:${businessId}`;

export class OpenBusiness implements Here {
  view = $state.raw() as View;
  /** Bench time, moving on by itself; epoch milliseconds. */
  now = $state(0);
  /** Settings that hold at once, made in this window. */
  readonly settings: SettingsMade;
  readonly id: string;

  /** Whose eyes the pages are seen with: a person's id, or null for whoever runs the system. */
  actor = $state.raw<string | null>(null);

  readonly system = $derived(this.view.draft.record.system);
  readonly revision = $derived(this.view.draft.record.revision);
  readonly standing = $derived(this.view.standing);
  readonly messages = $derived(this.view.messages);
  /** The newest calls; the whole log is asked for at `logbook`. */
  readonly log = $derived(this.view.calls);
  readonly logbook: LogHere;
  readonly texting: Texting = $derived({
    texts: this.view.texts,
    threads: this.view.threads,
    wishes: this.view.dealings.wishes ?? [],
    requests: this.view.dealings.texting,
    older: 0,
    lines: Object.values(this.view.inForce.system.numbers).filter(carriesTexts),
  });
  readonly me = $derived(this.actor);
  readonly contactsAre = 'the business’s' as const;
  readonly deeds = new OfficeDeeds(this);
  readonly inForce = $derived(this.view.inForce.system);
  /** What people’s own settings stand over; see `settable`. */
  readonly settable = $derived(settable(this.inForce, this.system));
  /** Bench time to the minute, for what need not be worked out each second. */
  readonly minute = $derived(Math.floor(this.now / 60_000) * 60_000);
  readonly paired = $derived(asPaired(this.standing));
  readonly zone = $derived(this.system.business.timeZone);
  /** How times are written: what is drawn is drawn anew when it changes. */
  readonly writing = $derived(Object.values(writingOf(this.system.business)).join());
  /** The day in the business's time zone, ISO. */
  readonly today = $derived(localTime(this.zone, this.now).date);
  /** The domain most people's addresses are at. */
  readonly usualDomain = $derived(usualDomain(Object.values(this.system.people).map((p) => p.email)));
  /** Where the letter of an invitation is. */
  readonly delivery = (i: { to: string; sentAt: number }): Delivery =>
    deliveryOf({ to: i.to, at: i.sentAt }, this.usualDomain, this.now);
  /** What is known of phones besides themselves, to say where they stand. */
  readonly known: Known = $derived({
    standing: this.standing,
    invitations: this.view.invitations,
    delivery: this.delivery,
    now: this.now,
    zone: this.zone,
  });
  /** As text, so that what hangs on it is only worked out anew when it differs: the time goes on each second. */
  private readonly cameBackText = $derived.by(() => {
    const last = new Map<string, Invitation>();
    for (const i of this.view.invitations) if ((last.get(i.to)?.sentAt ?? -1) <= i.sentAt) last.set(i.to, i);
    const back = [...last].flatMap(([to, i]) => {
      const { state, words } = this.delivery(i);
      return state === 'came back' ? [[to, words]] : [];
    });
    return JSON.stringify(Object.fromEntries(back));
  });
  /** Addresses whose last letter came back, with why. */
  readonly cameBack = $derived(JSON.parse(this.cameBackText) as Record<string, string>);
  private readonly troubledText = $derived(JSON.stringify(troubledBy(this.view.errands, this.minute)));
  /** What follow-ups could not do in the last week. */
  readonly troubled = $derived(JSON.parse(this.troubledText) as ReturnType<typeof troubledBy>);
  /** What is found of the draft, kept up to date. */
  readonly checks: Checks;
  /** Edits in the draft that callers do not get yet; negative when edits in force were undone. */
  readonly waiting = $derived(this.view.draft.record.done - this.view.draft.record.inForceAt);

  /** @param say tells the person something */
  constructor(
    readonly workspace: Workspace,
    readonly db: Db,
    readonly changes: Changes,
    readonly say: (notice: Omit<Notice, 'id'>) => void,
  ) {
    this.id = workspace.id;
    this.view = workspace.view;
    writeAs(writingOf(this.system.business));
    this.logbook = new LogHere(this);
    workspace.subscribe((view) => {
      this.view = view;
      writeAs(writingOf(view.draft.record.system.business));
    });
    this.settings = new SettingsMade(this.id, this);
    this.acts = new ActsDone(say);
    const actor = sessionStorage.getItem(actorKey(this.id)) ?? '';
    this.actor = this.system.people[actor] ? actor : null;
    workspace.by = this.actorName;
    this.checks = new Checks(this);
    this.tick();
  }

  /** It is no longer shown. */
  close(): void {
    this.workspace.close();
    this.checks.close();
    this.logbook.close();
    this.deeds.stop();
  }

  /** The role the pages are seen with. Whoever runs the system and is nobody in it may do all an owner may. */
  readonly role = $derived<Role>(
    this.actor === null ? 'owner' : (this.system.people[this.actor]?.role ?? 'owner'),
  );
  /** Whether the pages offer something to whoever looks. */
  may(act: Act): boolean {
    return may(this.role, act);
  }
  /** Name of whoever looks; undefined is whoever runs the system. */
  get actorName(): string | undefined {
    return this.actor === null ? undefined : this.system.people[this.actor]?.name;
  }
  /** Sees the pages as somebody else, until it is taken back; a reload keeps it. */
  lookAs(personId: string | null): void {
    this.actor = personId;
    sessionStorage.setItem(actorKey(this.workspace.id), personId ?? '');
    this.workspace.by = this.actorName;
  }

  /** The hour in which messages whose time is over were last looked for. */
  private swept = 0;
  /** Brings `now` up to date. */
  tick(): void {
    this.now = this.workspace.now();
    const hour = Math.floor(this.now / 3_600_000);
    if (hour !== this.swept) {
      this.swept = hour;
      // What is not swept now is swept in an hour.
      void this.workspace.sweep().catch(() => {});
      if (this.may('see the system')) void this.mailBoards().catch(() => {});
    }
    const { planned } = this.standing;
    if (planned && planned.at <= this.now) void this.putInForceIfDue();
  }

  /** What is mailed on Mondays; nothing of it is loaded where there is no board. */
  private async mailBoards(): Promise<void> {
    if ((await this.db.get('settings', `boards:${this.id}`)) === undefined) return;
    const { mailDueBoards } = await import('../figures/boards/mailing');
    await mailDueBoards(this);
  }

  private async putInForceIfDue(): Promise<void> {
    // What cannot be stored stays planned, and is tried again.
    const done = await this.workspace.putInForceIfDue().catch(() => undefined);
    if (!done) return;
    this.say(
      done.problem
        ? { kind: 'error', title: 'Not in force as planned', detail: done.problem }
        : { kind: 'success', title: 'In force as planned: callers get this from now on.' },
    );
  }

  /** Changes the draft; what is refused is said, unless the caller shows it beside a field. */
  edit(
    words: string,
    commands: Edit['commands'],
    options: { mergeKey?: string; quiet?: boolean; withNotice?: boolean } = {},
  ): Done {
    const edit: Edit = { words, commands, ...(options.mergeKey ? { mergeKey: options.mergeKey } : {}) };
    const result = this.workspace.edit(edit);
    if (!result.ok && !options.quiet)
      this.say({
        kind: 'error',
        title: 'Not changed',
        detail: result.problems.map((p) => p.message).join(' '),
      });
    if (result.ok) {
      this.settings.forgetUndone();
      this.follow(words, result.stored, () => {
        if (options.withNotice && !result.nothing)
          this.say({ kind: 'success', title: words, undo: () => this.undoEdit() });
      });
    }
    return result;
  }

  private late: { asked: boolean; said: Promise<string | undefined> } | undefined;
  /** Waits until a step is stored. Where another window was first and it is refused, that is said: beside the field, or here. */
  private follow(words: string, stored: Promise<Problem[]>, done: () => void): void {
    const said = stored.then((problems) => problems.map((p) => p.message).join(' ') || undefined);
    const late = { asked: false, said };
    this.late = late;
    void said.then((message) => {
      if (message === undefined) done();
      else if (!late.asked)
        this.say({ kind: 'error', stays: true, title: `Not done: ${words}`, detail: message });
    });
  }
  /**
   * What storage says of the edit just made: undefined once it is stored, or why another window's edit was in its way. Whoever
   * asks shows it where it was typed; otherwise it is a notice.
   */
  storedLate(): Promise<string | undefined> {
    if (!this.late) return Promise.resolve(undefined);
    this.late.asked = true;
    return this.late.said;
  }

  /** Puts an earlier version into the draft. */
  bringBack(version: VersionRecord): void {
    const result = this.workspace.bringBack(version, momentText(version.at, this.zone));
    if (!result.ok) return this.sayHeldBack();
    this.follow(`Bring back version ${version.n}`, result.stored, () =>
      this.say({
        kind: 'success',
        title: `Version ${version.n} is in the draft. Look at what differs, then put it in force.`,
        undo: () => this.undoEdit(),
      }),
    );
  }

  /** Changes the draft from a field: what is refused comes back as the words to show beside it. */
  keep(words: string, commands: Edit['commands']): string | undefined {
    const result = this.edit(words, commands, { quiet: true });
    return result.ok ? undefined : result.problems[0]!.message;
  }

  /** The same, once it is stored: what another window was first with is refused, too. */
  async keepStored(words: string, commands: Edit['commands']): Promise<string | undefined> {
    return this.keep(words, commands) ?? (await this.storedLate());
  }

  /** What was done besides edits and settings. */
  private readonly acts: ActsDone;
  /** Notes something that undo takes back in its turn. @param back takes it back @returns takes it back at once */
  did(words: string, back: Back): () => void {
    return this.acts.did(words, this.view.draft.record.done, back);
  }
  /** Notes something that cannot be taken back, with why. */
  didForGood(words: string, why: string): void {
    this.acts.didForGood(words, this.view.draft.record.done, why);
  }
  /** Says what was done, with the way back, which undo takes too. */
  sayDone(notice: Omit<Notice, 'id' | 'undo'>, back: Back): void {
    this.say({ ...notice, undo: this.did(notice.title, back) });
  }

  /** Undoes what was done last in this window: an edit, settings that hold at once, or anything else. */
  undo(): void {
    const edits = this.view.draft.record.done;
    if (this.acts.undo(edits, this.settings.lastAt ?? 0)) return;
    if (!this.settings.undo(this.view.draft.record.done)) this.undoEdit();
  }
  redo(): void {
    if (!this.settings.redo(this.view.draft.record.done)) this.redoEdit();
  }
  /** Undoes the last edit of the draft, whatever was set since. */
  undoEdit(): void {
    const words = this.view.draft.edits.find((e) => e.seq === this.view.draft.record.done)?.words;
    const result = this.workspace.undo();
    if (result.ok)
      this.follow(`Undo: ${words}`, result.stored, () =>
        this.say({ kind: 'info', title: `Undone: ${words}` }),
      );
    else this.sayHeldBack();
  }
  private sayHeldBack(): void {
    const held = this.db.heldBack;
    if (held) this.say({ kind: 'error', title: 'Not done', detail: held.message });
  }
  redoEdit(): void {
    const words = this.view.draft.edits.find((e) => e.seq === this.view.draft.record.done + 1)?.words;
    const result = this.workspace.redo();
    if (result.ok)
      this.follow(`Do again: ${words}`, result.stored, () =>
        this.say({ kind: 'info', title: `Done again: ${words}` }),
      );
    else this.sayHeldBack();
  }

  /** A number as the people of this business read it. */
  number(e164: string, system: System = this.system): string {
    return writeNumber(e164, system.business.country);
  }
}
