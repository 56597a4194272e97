import { gap } from './readings.js';

/**
 * Packs a channel for keeping: common factor taken out, differences, zigzag, variable length (seven bits a byte). What is left
 * is deflated by whoever keeps it.
 *
 * Layout: version 1, factor as a varint, count as a varint, then one varint a value; 0 stands for a gap.
 */
export function encodeMilli(milli: Int32Array): Uint8Array {
  const factor = commonFactor(milli);
  let bytes = new Uint8Array(16 + milli.length * 2);
  let length = 0;
  const write = (value: number): void => {
    if (length + 10 > bytes.length) {
      const larger = new Uint8Array(Math.ceil(bytes.length * 1.5) + 16);
      larger.set(bytes);
      bytes = larger;
    }
    let rest = value;
    while (rest > 127) {
      bytes[length++] = (rest % 128) | 128;
      rest = Math.floor(rest / 128);
    }
    bytes[length++] = rest;
  };
  write(1);
  write(factor);
  write(milli.length);
  let last = 0;
  for (const value of milli) {
    if (value === gap) {
      write(0);
      continue;
    }
    const scaled = value / factor;
    const difference = scaled - last;
    last = scaled;
    write((difference >= 0 ? difference * 2 : -difference * 2 - 1) + 1);
  }
  return bytes.slice(0, length);
}

/**
 * Unpacks what {@link encodeMilli} packed.
 *
 * @throws Error where the bytes are not such a channel
 */
export function decodeMilli(bytes: Uint8Array): Int32Array {
  let at = 0;
  const read = (): number => {
    let value = 0;
    let scale = 1;
    for (;;) {
      const byte = bytes[at++];
      if (byte === undefined) throw new Error('The readings are cut off');
      value += (byte & 127) * scale;
      if (byte < 128) return value;
      scale *= 128;
      if (scale > 2 ** 49) throw new Error('The readings are damaged');
    }
  };
  if (read() !== 1) throw new Error('The readings are of an unknown version');
  const factor = read();
  const count = read();
  // Every value takes a byte at least.
  if (count > bytes.length) throw new Error('The readings are cut off');
  const milli = new Int32Array(count);
  let last = 0;
  for (let i = 0; i < count; i += 1) {
    const coded = read();
    if (coded === 0) {
      milli[i] = gap;
      continue;
    }
    const zigzag = coded - 1;
    last += zigzag % 2 === 0 ? zigzag / 2 : -(zigzag + 1) / 2;
    milli[i] = last * factor;
  }
  return milli;
}

/** The largest power of ten, up to a million, that divides every value. */
function commonFactor(milli: Int32Array): number {
  let factor = 1_000_000;
  for (const value of milli) {
    if (value === gap) continue;
    while (factor > 1 && value % factor !== 0) factor /= 10;
    if (factor === 1) break;
  }
  return factor;
}
