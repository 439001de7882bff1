/** Whether a system is one that edits could have made: what comes from outside is held to the same rules. */
import { COLLECTIONS, goneFrom, type Kind } from './references';
import { check, checkBusiness, checkEmails, checkExtensions, checkReferences, Refused } from './rules';
import type { System } from '../shape/schema';

const nobody = { people: {}, groups: {}, queues: {}, plans: {} };

/**
 * The first rule that a system breaks, in words that say where; undefined where it keeps them all.
 * @param system passes its schema
 */
export function brokenRule(system: System): string | undefined {
  for (const [kind, name] of Object.entries(COLLECTIONS) as [Kind, keyof System][]) {
    const items = system[name] as Record<string, { id: string; name?: string }>;
    for (const [key, item] of Object.entries(items)) {
      const what = `${kind} ${item.name ?? item.id}`;
      if (key !== item.id) return `${what}: it stands under another key, ${key}.`;
      try {
        check(system, kind, key);
        checkReferences(system, kind, key);
      } catch (error) {
        if (error instanceof Refused) return `${what}: ${error.message}`;
        throw error;
      }
    }
  }
  const gone = goneFrom(system, 'business', system.business);
  if (gone) return `The business: ${gone.message}`;
  try {
    checkBusiness(system);
    // Held against a business of nobody: everything counts as new.
    checkExtensions({ ...system, ...nobody }, system);
    checkEmails({ ...system, ...nobody }, system);
  } catch (error) {
    if (error instanceof Refused) return error.message;
    throw error;
  }
  return undefined;
}
