/** A value of this window that a reload does not lose: what was typed into a form that has not been sent, or was asked. */
export class Remembered<T> {
  private state: T;

  /** @param key of its own in this window; @param initial used until something was set */
  constructor(
    private key: string,
    initial: T,
  ) {
    this.state = $state(filled(read(key), initial));
  }
  get value(): T {
    return this.state;
  }
  set value(value: T) {
    this.state = value;
    try {
      sessionStorage.setItem(`upper-line:${this.key}`, JSON.stringify(value));
    } catch {
      // Without room it is remembered as long as the window is not reloaded.
    }
  }
}

/** What was remembered, with the fields it lacks: the form may have grown since. */
function filled<T>(known: T | undefined, initial: T): T {
  if (known === undefined) return initial;
  const isForm = typeof initial === 'object' && initial !== null && !Array.isArray(initial);
  return isForm ? { ...initial, ...known } : known;
}

function read<T>(key: string): T | undefined {
  try {
    return JSON.parse(sessionStorage.getItem(`upper-line:${key}`) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}
