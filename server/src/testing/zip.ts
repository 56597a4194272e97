import { crc32, deflateRawSync } from 'node:zlib';

interface Entry {
  readonly name: string;
  readonly bytes: Buffer;
  /** What the file says of the entry's size; the truth where nothing is said. */
  readonly claimedBytes?: number;
}

/** A ZIP file (APPNOTE 6.3, recalled) with deflated entries, which may lie about their size. */
export function zipOf(entries: readonly Entry[]): Buffer {
  const parts: Buffer[] = [];
  const directory: Buffer[] = [];
  let offset = 0;
  for (const { name, bytes, claimedBytes = bytes.length } of entries) {
    const packed = deflateRawSync(bytes);
    const common = Buffer.alloc(26);
    common.writeUInt16LE(20, 0);
    common.writeUInt16LE(8, 4);
    common.writeUInt32LE(crc32(bytes), 10);
    common.writeUInt32LE(packed.length, 14);
    common.writeUInt32LE(claimedBytes, 18);
    common.writeUInt16LE(name.length, 22);
    const local = Buffer.concat([Buffer.from('PK\u0003\u0004'), common, Buffer.from(name), packed]);
    const rest = Buffer.alloc(14);
    rest.writeUInt32LE(offset, 10);
    directory.push(
      Buffer.concat([Buffer.from('PK\u0001\u0002'), Buffer.from([20, 0]), common, rest, Buffer.from(name)]),
    );
    parts.push(local);
    offset += local.length;
  }
  const central = Buffer.concat(directory);
  const end = Buffer.alloc(18);
  end.writeUInt16LE(entries.length, 4);
  end.writeUInt16LE(entries.length, 6);
  end.writeUInt32LE(central.length, 8);
  end.writeUInt32LE(offset, 12);
  return Buffer.concat([...parts, central, Buffer.from('PK\u0005\u0006'), end]);
}
