/** Types of share.mjs, for its tests. */
interface Made {
  cert: string;
  key: string;
  authority: string;
}
export function addresses(): string[];
export function fingerprintOf(pem: string): string;
export function certificateFor(folder: string, names: string[], ips: string[], now?: number): Promise<Made>;
export function sharing(
  args: string[],
  port: number,
): Promise<
  (Omit<Made, 'authority'> & { authority: string | null; address: string; fingerprint: string }) | null
>;
