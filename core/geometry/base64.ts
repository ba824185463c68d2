/** Bytes as base64, in pieces that every engine's argument list can hold. */
export function encodeBase64(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += 8192)
    text += String.fromCharCode(...bytes.subarray(i, i + 8192))
  return btoa(text)
}

/** Bytes of a base64 text; nothing when it is none. */
export function decodeBase64(text: string): Uint8Array {
  try {
    return Uint8Array.from(atob(text), (c) => c.charCodeAt(0))
  } catch {
    return new Uint8Array(0)
  }
}
