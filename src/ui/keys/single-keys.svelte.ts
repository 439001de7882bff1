/**
 * Keys that do something by themselves, without Ctrl or Alt: they can be switched off, and mean nothing while something is
 * typed or a list is open (WCAG 2.2, success criterion 2.1.4).
 */
const KEY = 'upper-line:single-keys';

class SingleKeys {
  /** In every window of this browser that is opened from now on, and in this one. */
  on = $state(read());

  set(on: boolean): void {
    this.on = on;
    try {
      localStorage.setItem(KEY, on ? 'on' : 'off');
    } catch {
      // Without room it holds as long as the window is not reloaded.
    }
  }
  /** Whether a key that is pressed does what it stands for. */
  mean(event: KeyboardEvent): boolean {
    return this.on && !event.ctrlKey && !event.metaKey && !event.altKey && !isTyped(event);
  }
}

function read(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off';
  } catch {
    return true;
  }
}

/** Fields in which letters are typed, and lists in which they choose. */
const TAKES_KEYS = [
  'input:not([type=checkbox], [type=radio], [type=button], [type=submit], [type=range], [type=color], [type=file])',
  'textarea',
  'select',
  '[contenteditable]:not([contenteditable=false])',
  '[role=listbox]',
  '[role=menu]',
  '[role=combobox]',
  '[role=grid]',
].join();

/** Whether a key goes into a field or a list. */
export const isTyped = ({ target }: Event): boolean =>
  target instanceof Element && target.closest(TAKES_KEYS) !== null;

export const singleKeys = new SingleKeys();
