/** The package ships no types: WOFF 2.0 to TrueType and back, in WebAssembly. */
declare module 'wawoff2' {
  export function decompress(bytes: Uint8Array): Promise<Uint8Array>;
  export function compress(bytes: Uint8Array): Promise<Uint8Array>;
}
