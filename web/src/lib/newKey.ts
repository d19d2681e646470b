/** A key of one change: sent again with it, the change is not made twice. The browser gives one only to pages that came by a safe way; elsewhere it is made of random bytes. */
export function newKey(): string {
  return (
    crypto.randomUUID?.() ??
    Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('')
  );
}
