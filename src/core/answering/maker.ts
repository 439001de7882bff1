/** Makes the commands of a plan that begins as one of a kind: its steps, and what they need besides. */
import { newMailbox, USUAL_RING_SECONDS, type Command, type Plan, type Step, type System } from '../system';

/** Collects what a plan needs besides its steps. */
export class Maker {
  readonly commands: Command[] = [];
  constructor(
    private system: System,
    private plan: Plan,
    private freshId: (kind: string) => string,
  ) {}

  id(kind = 'step'): string {
    return this.freshId(kind);
  }
  recording(name: string, text: string): string {
    const same = Object.values(this.system.recordings).find((r) => r.text === text);
    if (same) return same.id;
    const id = this.freshId('recording');
    this.commands.push({ do: 'recording.add', value: { id, name, text } });
    return id;
  }
  play(name: string, text: string): Step {
    return { id: this.id(), kind: 'play', recordingId: this.recording(name, text) };
  }
  /** The hours there are, or office hours with a Saturday where wanted. */
  hours(saturday: boolean): string {
    const fits = Object.values(this.system.hours).find((h) => !saturday || h.weekly.some((p) => p.day === 6));
    if (fits) return fits.id;
    const id = this.freshId('hours');
    const weekly = [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' }));
    if (saturday) weekly.push({ day: 6, from: 540, to: 780, kind: 'Saturday' });
    this.commands.push({
      do: 'hours.add',
      value: { id, name: saturday ? 'Shop hours' : 'Office hours', timeZone: null, weekly },
    });
    return id;
  }
  voicemail(ownerIds: string[]): Step {
    const known = ownerIds.length === 1 ? this.system.people[ownerIds[0]!]?.mailboxId : undefined;
    let mailboxId = known ?? Object.values(this.system.mailboxes).find((m) => m.name === this.plan.name)?.id;
    if (!mailboxId) {
      mailboxId = this.freshId('mailbox');
      this.commands.push({
        do: 'mailbox.add',
        value: newMailbox({ id: mailboxId, name: this.plan.name, ownerIds }),
      });
    }
    return { id: this.id(), kind: 'voicemail', mailboxId };
  }
  ring(personIds: readonly string[], seconds = USUAL_RING_SECONDS): Step {
    return {
      id: this.id(),
      kind: 'ring',
      targets: personIds.map((id) => ({ kind: 'person', id })),
      pattern: 'together',
      seconds,
      followReach: false,
    };
  }
  done(steps: Step[]): Command[] {
    return [...this.commands, { do: 'plan.set', id: this.plan.id, change: { steps } }];
  }
}
