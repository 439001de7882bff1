/** What it means that a phone may or may not be used outside the office, in words. */
import type { PhoneKind, System } from '$core/system';

export function outsideConsequence(kind: PhoneKind, allowed: boolean, { sites }: System): string {
  const networks = Object.values(sites).some((s) => s.networks.length);
  if (!networks)
    return 'No site says yet which networks are in the office, so nothing counts as outside. Sites, Networks sets it.';
  if (!allowed)
    return kind === 'mobile app'
      ? 'At home and on the road it will not ring, and it cannot be paired there: the usual cause of “my app does not work”.'
      : 'It rings and can be paired on an office network only.';
  return kind === 'desk'
    ? 'It rings wherever it is plugged in. For emergency calls give it an address of its own.'
    : 'It rings on any network. For emergency calls its person should confirm where they are.';
}
