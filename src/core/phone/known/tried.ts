/** Settings of somebody as they would be, and as if they had set nothing: what they do is the difference. */
import { settle, type OwnValues, type Standing, type System } from '../../system';

const MINUTE_MS = 60_000;

/** Standing settings with some of a person's tried on top. @param now epoch milliseconds */
export function withTried(
  standing: Standing,
  personId: string,
  values: OwnValues | null,
  document: System,
  now: number,
): Standing {
  if (!values || !Object.keys(values).length) return standing;
  // Later than whatever is set now.
  const stamp = { at: now + MINUTE_MS, by: '' };
  return settle(standing, { kind: 'person', personId, values }, stamp, document).standing;
}

/** Standing settings as if somebody had set nothing of their own: the administration's word. */
export function withoutTheirs(standing: Standing, personId: string, phoneIds: ReadonlySet<string>): Standing {
  const others = <T>(all: Record<string, T> | undefined, gone: (id: string) => boolean): Record<string, T> =>
    Object.fromEntries(Object.entries(all ?? {}).filter(([id]) => !gone(id)));
  const { own, dnd, resting, ...rest } = standing;
  return {
    ...rest,
    dnd: others(dnd, (id) => id === personId),
    resting: others(resting, (id) => phoneIds.has(id)),
    own: {
      people: others(own?.people, (id) => id === personId),
      phones: others(own?.phones, (id) => phoneIds.has(id)),
    },
  };
}
