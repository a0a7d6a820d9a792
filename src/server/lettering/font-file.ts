import { inflateSync } from 'node:zlib';
import { decompress } from 'wawoff2';

/** Bytes a font may unfold to. */
const MOST_BYTES = 40 * 1024 * 1024;

const tag = (bytes: Buffer): string => bytes.toString('latin1', 0, 4);

const UNPACKED = ['\x00\x01\x00\x00', 'OTTO', 'true', 'ttcf'];

/** Whether a file is TrueType or OpenType as it is. */
export const isUnpacked = (bytes: Buffer): boolean => bytes.length >= 12 && UNPACKED.includes(tag(bytes));

/**
 * The TrueType or OpenType font in a file of TTF, OTF, TTC, WOFF or WOFF2.
 * @throws Error in words when it is none of them or is damaged.
 */
export async function readFontFile(bytes: Buffer): Promise<Uint8Array> {
  if (isUnpacked(bytes)) return bytes;
  const kind = bytes.length >= 12 ? tag(bytes) : '';
  if (kind === 'wOFF') return fromWoff(bytes);
  if (kind === 'wOF2') return fromWoff2(bytes);
  throw new Error('it is neither TTF, OTF, WOFF nor WOFF2.');
}

async function fromWoff2(bytes: Buffer): Promise<Uint8Array> {
  // WOFF 2.0, section 4.1: totalSfntSize stands at byte 16.
  if (bytes.length < 48 || bytes.readUInt32BE(16) > MOST_BYTES)
    throw new Error('it says it is larger than a font may be.');
  try {
    return await decompress(bytes);
  } catch {
    throw new Error('its compressed tables are damaged.');
  }
}

/** Unpacks WOFF 1.0 (W3C, sections 3 to 5): a header, a directory, and tables that may each be deflated. */
function fromWoff(bytes: Buffer): Uint8Array {
  if (bytes.length < 44) throw new Error('it is cut short.');
  const count = bytes.readUInt16BE(12);
  if (count === 0 || count > 200 || bytes.length < 44 + 20 * count)
    throw new Error('its table directory is damaged.');
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + 20 * i;
    const [offset, packed, size] = [
      bytes.readUInt32BE(at + 4),
      bytes.readUInt32BE(at + 8),
      bytes.readUInt32BE(at + 12),
    ];
    if (offset + packed > bytes.length || packed > size || size > MOST_BYTES)
      throw new Error('its tables are damaged.');
    const raw = bytes.subarray(offset, offset + packed);
    let data: Buffer = raw;
    if (packed < size) {
      try {
        data = inflateSync(raw, { maxOutputLength: size });
      } catch {
        throw new Error('its compressed tables are damaged.');
      }
      if (data.length !== size) throw new Error('its compressed tables are damaged.');
    }
    return { tag: bytes.subarray(at, at + 4), checksum: bytes.readUInt32BE(at + 16), data };
  });
  const padded = (n: number): number => (n + 3) & ~3;
  const head = 12 + 16 * count;
  const total = head + tables.reduce((sum, t) => sum + padded(t.data.length), 0);
  if (total > MOST_BYTES) throw new Error('it unfolds to more than a font may.');
  const out = Buffer.alloc(total);
  bytes.copy(out, 0, 4, 8);
  out.writeUInt16BE(count, 4);
  const power = 2 ** Math.floor(Math.log2(count));
  out.writeUInt16BE(power * 16, 6);
  out.writeUInt16BE(Math.log2(power), 8);
  out.writeUInt16BE((count - power) * 16, 10);
  let at = head;
  tables.forEach((table, i) => {
    const entry = 12 + 16 * i;
    table.tag.copy(out, entry);
    out.writeUInt32BE(table.checksum, entry + 4);
    out.writeUInt32BE(at, entry + 8);
    out.writeUInt32BE(table.data.length, entry + 12);
    table.data.copy(out, at);
    at += padded(table.data.length);
  });
  return out;
}
