/** Servers for voice between networks: which addresses are taken, and who is told of which. */
import { describe, expect, it } from 'vitest';
import { iceServers, passesOn, VoiceServer } from './voice-servers';

const stun = (uri: string) => VoiceServer.safeParse({ uri, user: '', password: '', visitors: false }).success;
const turn = (uri: string, more = {}) =>
  VoiceServer.safeParse({ uri, user: 'yard', password: 'secret', visitors: false, ...more }).success;

describe('an address', () => {
  // The examples of RFC 7064 (appendix B) and RFC 7065 (appendix B).
  it.each(['stun:example.org', 'stuns:example.org', 'stun:example.org:8000'])('%s is taken', (uri) =>
    expect(stun(uri)).toBe(true),
  );
  it.each([
    'turn:example.org',
    'turns:example.org',
    'turn:example.org:8000',
    'turn:example.org?transport=udp',
    'turn:example.org?transport=tcp',
    'turns:example.org?transport=tcp',
  ])('%s is taken', (uri) => expect(turn(uri)).toBe(true));
  it('of IPv4 and IPv6 is taken (RFC 3986)', () => {
    expect(stun('stun:192.0.2.7:3478')).toBe(true);
    expect(stun('stun:[2001:db8::7]:3478')).toBe(true);
  });
  it.each([
    '',
    'example.org',
    'https://example.org',
    'stun://example.org',
    'stun:',
    'stun:example.org?transport=udp',
    'stun:example.org:port',
    'stun:exa mple.org',
    'stun:example.org/../x',
    'turn:example.org?transport=sctp',
    'javascript:alert(1)',
  ])('%s is not', (uri) => expect(turn(uri)).toBe(false));
});

it('a server that passes voice on asks for a user name and a password', () => {
  expect(turn('turn:example.org', { user: '' })).toBe(false);
  expect(turn('turn:example.org', { password: '' })).toBe(false);
  expect(passesOn({ uri: 'TURNS:example.org' })).toBe(true);
});

it('phones are told of all; visitors of a site of no password, unless it is meant for them', () => {
  const servers: VoiceServer[] = [
    { uri: 'stun:a.example', user: '', password: '', visitors: false },
    { uri: 'turn:b.example', user: 'yard', password: 'ours', visitors: false },
    { uri: 'turn:c.example', user: 'guest', password: 'theirs', visitors: true },
  ];
  expect(iceServers({ voiceServers: servers })).toEqual([
    { urls: 'stun:a.example' },
    { urls: 'turn:b.example', username: 'yard', credential: 'ours' },
    { urls: 'turn:c.example', username: 'guest', credential: 'theirs' },
  ]);
  expect(JSON.stringify(iceServers({ voiceServers: servers }, true))).not.toContain('ours');
  expect(iceServers({ voiceServers: servers }, true)).toHaveLength(2);
  expect(iceServers({})).toEqual([]);
});
