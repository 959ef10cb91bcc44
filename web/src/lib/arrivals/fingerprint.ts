const SLICES = 32;
const SLICE_BYTES = 4096;

/**
 * Tells files apart that have one name, one size and one time, as takes of a song in two folders can: by what lies at
 * places spread over them. Reads a few kilobytes of a gigabyte.
 */
export async function fingerprint(file: File): Promise<string> {
  const step = Math.max(0, (file.size - SLICE_BYTES) / (SLICES - 1));
  let hash = 0x811c9dc5;
  let other = 0x1b873593;
  for (let i = 0; i < (step > 0 ? SLICES : 1); i++) {
    const at = Math.round(i * step);
    for (const byte of new Uint8Array(await file.slice(at, at + SLICE_BYTES).arrayBuffer())) {
      hash = Math.imul(hash ^ byte, 0x01000193);
      other = Math.imul(other ^ byte, 0x85ebca6b) + hash;
    }
  }
  return [
    'arrival',
    file.name,
    file.size,
    file.lastModified,
    (hash >>> 0).toString(36),
    (other >>> 0).toString(36),
  ].join('-');
}
