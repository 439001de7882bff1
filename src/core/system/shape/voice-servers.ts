/** Servers by which voice finds its way between networks that do not see each other. */
import { z } from 'zod';
import { text } from './primitives';

/**
 * The address of a server that tells somebody how they are seen from outside (RFC 7064, `stun:host:port`), or that passes voice
 * on (RFC 7065, `turn:host:port?transport=udp`). Hosts as in RFC 3986, an address of IPv6 in brackets.
 */
const HOST = String.raw`(?:\[[0-9a-f:.]+\]|[a-z0-9](?:[a-z0-9._-]{0,250}[a-z0-9])?)`;
const ADDRESS = new RegExp(
  String.raw`^(?:stuns?:${HOST}(?::\d{1,5})?|turns?:${HOST}(?::\d{1,5})?(?:\?transport=(?:udp|tcp))?)$`,
  'i',
);

/** Whether voice goes through it; else it only tells how somebody is seen from outside. */
export const passesOn = ({ uri }: { uri: string }): boolean => /^turns?:/i.test(uri);

export const VoiceServer = z
  .object({
    uri: z
      .string()
      .max(300)
      .regex(ADDRESS, 'Write an address such as stun:voice.example:3478 or turn:voice.example:3478.'),
    /** Asked for by a server that passes voice on; empty for one that does not. */
    user: text(200),
    password: text(200),
    /** Visitors of a site are told of it too: anybody can read its password then. */
    visitors: z.boolean(),
  })
  .refine((s) => !passesOn(s) || (s.user !== '' && s.password !== ''), {
    message: 'A server that passes voice on asks for a user name and a password.',
    path: ['user'],
  });
export type VoiceServer = z.infer<typeof VoiceServer>;

export interface IceServer {
  urls: string;
  username?: string;
  credential?: string;
}
/** As browsers are told of them (W3C WebRTC, RTCIceServer). @param visitor what visitors of a site are told alone */
export const iceServers = (
  { voiceServers = [] }: { voiceServers?: readonly VoiceServer[] | undefined },
  visitor = false,
): IceServer[] =>
  voiceServers
    .filter((s) => !visitor || s.visitors || !passesOn(s))
    .map(({ uri, user, password, ...s }) =>
      passesOn({ uri, ...s }) ? { urls: uri, username: user, credential: password } : { urls: uri },
    );
