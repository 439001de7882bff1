import type { MenuKey, MenuStep } from '../../system';
import { isSaid, list, quoted, said, secondsOf, type StepKind } from './kind';

const keyInWords = (key: MenuKey): string =>
  key === 'wrong' ? 'Wrong key' : key === 'none' ? 'No key' : `Key ${key}`;

/** What each key of a menu does that does anything. */
export const keysOf = (step: MenuStep): Map<string, 'branch' | 'names' | 'again' | 'back'> =>
  new Map([
    ...step.branches.filter((b) => b.key.length === 1).map((b) => [b.key, 'branch'] as const),
    ...(step.nameKey ? [[step.nameKey, 'names'] as const] : []),
    ...(step.againKey ? [[step.againKey, 'again'] as const] : []),
    ...(step.backKey ? [[step.backKey, 'back'] as const] : []),
  ]);

/** A key that leads nowhere in a menu, or none where each leads somewhere. */
function wrongKey(step: MenuStep): string | undefined {
  if (step.dialExtension) return undefined;
  const used = keysOf(step);
  return [...'0987654321*#'].find((k) => !used.has(k));
}

export const menu: StepKind<MenuStep> = {
  name: 'Menu',
  does: 'the caller chooses by key',
  verb: 'menu',
  what: (step, system) => {
    const keys = step.branches.map((b) => b.key).filter((k) => k.length === 1);
    const own = [
      step.againKey ? `${step.againKey} says it again` : '',
      step.backKey ? `${step.backKey} goes back` : '',
    ].filter(Boolean);
    return [
      quoted(step.recordingId, system, 'without words'),
      keys.length ? `keys ${list(keys)}` : 'no keys yet',
      ...own,
    ].join(', ');
  },
  detail: (step, system) => said(step.recordingId, system) || 'Write what the caller is to choose from.',
  opens: (step, branch) => keyInWords(step.branches[branch]!.key),
  seconds: (step, system) => (secondsOf(step.recordingId, system) + step.seconds) * step.tries,
  secondsToBranch: (step, system) => secondsOf(step.recordingId, system),
  waysOn: ({ branches, otherwise }) => [...branches, otherwise],
  onward: null,
  lacks: (step, { name }, system) =>
    !step.branches.some((b) => b.key.length === 1) && !step.dialExtension && !step.nameKey
      ? ['no-keys', `A menu of ${name} has no keys`, 'Every caller waits and goes on.']
      : isSaid(step.recordingId, system)
        ? undefined
        : ['silent', `A menu of ${name} says nothing`, 'Nobody knows which keys there are.'],
  dials: (step) => ({ extensions: step.dialExtension, names: step.nameKey !== null }),
  asksForKeys: (step) => step.tries,
  openedBy: (step, branch) => {
    const { key } = step.branches[branch]!;
    if (key === 'none') return undefined;
    if (key !== 'wrong') return { keys: [key] };
    const wrong = wrongKey(step);
    return { keys: wrong === undefined ? [] : Array<string>(step.tries).fill(wrong) };
  },
};
