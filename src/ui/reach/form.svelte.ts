/** What is being changed of how somebody is reached, and what it would do; kept over a reload until it is set or left. */
import { withTried } from '$core/phone';
import { USUAL, withOwn, type OwnValues, type Setting, type Standing } from '$core/system';
import { Remembered } from '../remembered.svelte';
import { here } from '../window/session.svelte';

export class ReachForm {
  private readonly pending: Remembered<OwnValues>;

  constructor(readonly personId: string) {
    this.pending = new Remembered<OwnValues>(`reach-${personId}`, {});
  }

  /** The system as people have set it, without what is being changed. */
  readonly system = $derived.by(() => withOwn(here().settable, here().standing.own));
  readonly person = $derived.by(() => this.system.people[this.personId]!);
  readonly changed = $derived.by(() => Object.keys(this.pending.value).length > 0);
  /** What is being changed, and is not set yet. */
  get changes(): OwnValues {
    return this.pending.value;
  }
  private readonly setting: Setting = $derived.by(() => ({
    kind: 'person',
    personId: this.personId,
    // Plain, for it goes to a worker and into storage.
    values: $state.snapshot(this.pending.value),
  }));
  /** Standing settings as they would be. */
  readonly standing: Standing = $derived.by(() =>
    withTried(
      here().standing,
      this.personId,
      // Plain, for it goes to a worker and into storage.
      $state.snapshot(this.pending.value),
      here().settable,
      here().minute,
    ),
  );
  /** Whoever it is about, as they would be reached. */
  readonly next = $derived.by(
    () => withOwn(here().settable, this.standing.own).people[this.personId] ?? this.person,
  );
  readonly exceptions = $derived(this.next.exceptions ?? USUAL.exceptions);

  /** Changes fields without setting them yet; what is as it was is not a change. */
  change(values: OwnValues): void {
    const all = { ...this.pending.value, ...values };
    const person = { ...USUAL, ...this.person, ...this.person.reach };
    this.pending.value = Object.fromEntries(
      Object.entries(all).filter(
        ([field, value]) => JSON.stringify(value) !== JSON.stringify(person[field as keyof typeof person]),
      ),
    );
  }
  leave(): void {
    this.pending.value = {};
  }
  /** Hands over what is to be set. */
  take(): Setting[] {
    const settings = [this.setting];
    this.leave();
    return settings;
  }
}
