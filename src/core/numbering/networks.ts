/** Networks that count as an office: whether an address lies in one of them. Loaded where it is asked, for its library is large. */
import ipaddr from 'ipaddr.js';

/** Whether a text is an IPv4 or IPv6 address. */
export const isAddress = (text: string): boolean => ipaddr.isValid(text);

/** The network an address lies in: the first of some, in CIDR notation (RFC 4632, RFC 4291), or undefined. */
export function networkOf(ip: string, networks: readonly string[]): string | undefined {
  if (!ipaddr.isValid(ip)) return undefined;
  const address = ipaddr.process(ip);
  return networks.find((network) => {
    if (!ipaddr.isValidCIDR(network)) return false;
    const range = ipaddr.parseCIDR(network);
    return address.kind() === range[0].kind() && address.match(range);
  });
}
