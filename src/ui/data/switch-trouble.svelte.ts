/** What the live switch could not store, by business. */
import { listenForTrouble } from '$exchange';

class SwitchTrouble {
  private words = $state.raw<Record<string, string>>({});
  private stop: (() => void) | undefined;

  /** Starts to listen; the switch says it again each time it tries. */
  listen(): void {
    this.stop ??= listenForTrouble((businessId, words) => {
      const { [businessId]: _, ...rest } = this.words;
      this.words = words === null ? rest : { ...rest, [businessId]: words };
    });
  }
  of(businessId: string): string | null {
    return Object.hasOwn(this.words, businessId) ? this.words[businessId]! : null;
  }
}
export const switchTrouble = new SwitchTrouble();
