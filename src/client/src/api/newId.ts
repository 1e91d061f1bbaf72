/** A UUID of version 7: time first, then chance. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  new DataView(bytes.buffer).setBigUint64(0, BigInt(Date.now()) << 16n);
  crypto.getRandomValues(bytes.subarray(6));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x70;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

/** A request that makes something new is known by its key: sent again, as its answer was lost, it makes nothing more. */
export const sentAs = (key: string) => ({ "Idempotency-Key": key });
