/** Types of noise-c.wasm, as far as tests use it. */
declare module 'noise-c.wasm' {
  type Bytes = Uint8Array<ArrayBuffer>;
  interface CipherState {
    EncryptWithAd(ad: Bytes, plain: Bytes): Bytes;
    DecryptWithAd(ad: Bytes, sealed: Bytes): Bytes;
  }
  interface HandshakeState {
    Initialize(prologue: Bytes | null, s: Bytes | null, rs: Bytes | null, psk: Bytes | null): void;
    WriteMessage(payload: Bytes): Bytes;
    ReadMessage(message: Bytes, wantsPayload: boolean): Bytes | null;
    GetRemotePublicKey(): Bytes;
    Split(): [CipherState, CipherState];
  }
  export interface NoiseLibrary {
    constants: Record<string, number>;
    CreateKeyPair(curve: number): [Bytes, Bytes];
    HandshakeState: new (protocol: string, role: number) => HandshakeState;
  }
  export default function createNoise(ready: (noise: NoiseLibrary) => void): void;
}
