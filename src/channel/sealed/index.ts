export { ask, hear, PROTOCOL, type Agreed, type Asked, type Heard } from './noise';
export { Broken, fromBytes, LARGEST_MESSAGE, PIECE, Sealed, toBytes } from './pieces';
export {
  agree,
  gcmKey,
  gcmOpen,
  gcmSeal,
  hkdf,
  joined,
  makeKeys,
  random,
  readPrivate,
  sha256,
  writePrivate,
  type Bytes,
  type KeyPair,
} from './primitives';
export { base64Url, ofBase64Url } from './base64url';
