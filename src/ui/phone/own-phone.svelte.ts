/** What this browser remembers of a phone of its own: its sound devices, and what its person has confirmed. */
export interface OwnPhone {
  microphone: string;
  speaker: string;
  ring: string;
  /** When the emergency address was last confirmed, with the address; null for never. */
  confirmed: { at: number; address: string } | null;
  /** The steps of setting up have been gone through. */
  setUp: boolean;
}
const FIRST: OwnPhone = { microphone: '', speaker: '', ring: '', confirmed: null, setUp: false };

export class OwnPhoneMemory {
  private state = $state<OwnPhone>(FIRST);
  private key: string;

  constructor(phoneId: string) {
    this.key = `upper-line:own-phone:${phoneId}`;
    try {
      this.state = { ...FIRST, ...(JSON.parse(localStorage.getItem(this.key) ?? '{}') as Partial<OwnPhone>) };
    } catch {
      // What cannot be read is asked again.
    }
  }
  get value(): OwnPhone {
    return this.state;
  }
  set(change: Partial<OwnPhone>): void {
    this.state = { ...this.state, ...change };
    localStorage.setItem(this.key, JSON.stringify(this.state));
  }
}
