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

/** Whether an address lies outside every one of some networks. Where none are known nothing is outside. */
export const isOutside = (ip: string, networks: readonly string[]): boolean =>
  networks.length > 0 && ip !== '' && networkOf(ip, networks) === undefined;

/** An address within a network, for a stand-in that is there: the twentieth of it, or the last of a smaller one. */
export function hostIn(network: string): string {
  const [address, length] = ipaddr.parseCIDR(network);
  const bytes = address.toByteArray();
  const free = bytes.length * 8 - length;
  const host = Math.min(20, 2 ** Math.min(free, 8) - 1);
  bytes[bytes.length - 1] = bytes.at(-1)! | host;
  return ipaddr.fromByteArray(bytes).toString();
}
