/** Figures as people read them, on a page and in a letter. */
import type { Unit } from './definitions';

const plain = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });
const one = new Intl.NumberFormat('en-US', { maximumFractionDigits: 1 });

/** @param value null is none that can be said @param currency ISO 4217 */
export function valueText(value: number | null, unit: Unit, currency: string): string {
  if (value === null) return '–';
  switch (unit) {
    case 'calls':
      return plain.format(value);
    case 'share':
      return `${one.format(value * 100)} %`;
    case 'seconds':
      return value < 120 ? `${one.format(value)} s` : `${one.format(value / 60)} min`;
    case 'minutes':
      return value < 120 ? `${plain.format(value)} min` : `${one.format(value / 60)} h`;
    case 'hours':
      return `${one.format(value)} h`;
    case 'cents':
      return new Intl.NumberFormat('en-US', { style: 'currency', currency }).format(value / 100);
    case 'a week':
      return one.format(value);
  }
}

/** What it differs by, in words; empty where it is held against nothing. */
export function changeText(now: number | null, before: number | null | undefined, unit: Unit): string {
  if (before === undefined) return '';
  if (now === null || before === null) return 'nothing to hold it against';
  if (unit === 'share') {
    const points = (now - before) * 100;
    return Math.abs(points) < 0.05
      ? 'as before'
      : `${points > 0 ? '+' : '−'}${one.format(Math.abs(points))} points`;
  }
  if (now === before) return 'as before';
  if (before === 0) return 'before: none';
  const by = Math.abs(now / before - 1) * 100;
  return by < 0.5 ? 'as before' : `${now > before ? '+' : '−'}${plain.format(by)} %`;
}
