/** What this browser remembers of a phone of its own: its sound devices, what its person has confirmed, and where calls go out. */
export interface OwnPhone {
  microphone: string;
  speaker: string;
  ring: string;
  /** When the emergency address was last confirmed, with the address and on which network; null for never. */
  confirmed: { at: number; address: string; network?: string | undefined } | null;
  /** The steps of setting up have been gone through. */
  setUp: boolean;
  /** What calls from here go out of: this window, another phone of its person by id, or it is asked. */
  outOf: 'window' | 'ask' | { phoneId: string };
}
const FIRST: OwnPhone = {
  microphone: '',
  speaker: '',
  ring: '',
  confirmed: null,
  setUp: false,
  outOf: 'window',
};

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

/** The phone of this browser that was open last: links to numbers go to it. */
const LAST = 'upper-line:last-phone';
export interface LastPhone {
  businessId: string;
  phoneId: string;
}

export function rememberPhone(phone: LastPhone): void {
  try {
    localStorage.setItem(LAST, JSON.stringify(phone));
  } catch {
    // Without room a link asks which phone it is.
  }
}

export function lastPhone(): LastPhone | null {
  try {
    const { businessId, phoneId } = JSON.parse(localStorage.getItem(LAST) ?? '{}') as Partial<LastPhone>;
    return businessId && phoneId ? { businessId, phoneId } : null;
  } catch {
    return null;
  }
}
