/** Someone at a page who counts what they do, and how long it would take them. */
import type { Locator, Page } from '@playwright/test';

/**
 * Seconds by the keystroke-level model: Card, Moran, Newell, "The keystroke-level model for user performance time with
 * interactive systems", Communications of the ACM 23(7), 1980 (values from memory). A key of somebody who types 40 words a
 * minute; pointing; pressing and letting go; a hand from keys to mouse or back; making up one's mind.
 */
const SECONDS = { key: 0.28, point: 1.1, button: 0.2, hand: 0.4, mind: 1.35 } as const;

export class Hands {
  clicks = 0;
  keys = 0;
  private seconds = 0;
  private onKeys = false;
  constructor(readonly page: Page) {}

  /** Without waiting for the machine, and without a wrong turn. @returns minutes */
  get minutes(): number {
    return this.seconds / 60;
  }
  /** They point at something and press, having thought of it. */
  points(): void {
    this.clicks++;
    this.seconds += SECONDS.mind + SECONDS.point + SECONDS.button + (this.onKeys ? SECONDS.hand : 0);
    this.onKeys = false;
  }
  private strikes(keys: number): void {
    this.keys += keys;
    this.seconds += keys * SECONDS.key + (this.onKeys ? 0 : SECONDS.hand);
    this.onKeys = true;
  }
  async click(target: Locator): Promise<void> {
    this.points();
    await target.click();
  }
  async type(target: Locator, text: string): Promise<void> {
    await this.click(target);
    this.strikes(text.length);
    await target.fill(text);
  }
  /** From where they are, with the key that leaves the field. */
  async typeOn(text: string): Promise<void> {
    this.strikes(text.length + 1);
    await this.page.keyboard.insertText(text);
    await this.page.keyboard.press('Tab');
  }
  /** Into what has the focus. */
  async keysFor(text: string): Promise<void> {
    this.strikes(text.length);
    await this.page.keyboard.insertText(text);
  }
  async press(key: string): Promise<void> {
    this.strikes(1);
    await this.page.keyboard.press(key);
  }
  /** Something copied elsewhere is pasted: one key with another held. */
  async paste(target: Locator, text: string): Promise<void> {
    await this.click(target);
    this.strikes(2);
    await target.fill(text);
  }
  /** Opens a list and takes one of it. */
  async choose(target: Locator, option: string | { label: string }): Promise<void> {
    this.points();
    this.points();
    await target.selectOption(option);
  }
}
