/** Star codes in words. */
import { targetInWords } from '../../people';
import type { ForwardTarget, StarCode, System } from '../../system';

/** What a star code does, in words. */
export const featureInWords = (
  does: StarCode['does'],
  to: ForwardTarget | undefined,
  system: System,
): string => (to ? `${does}: calls go to ${targetInWords(to, system)}` : does);
