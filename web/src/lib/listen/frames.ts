/** Stereo frames as they arrive in pieces of any size; whole frames come out. */
export class Frames {
  private rest = new Uint8Array(0);
  private pieces: { left: Float32Array; right: Float32Array }[] = [];
  length = 0;

  /** Takes bytes of interleaved little-endian floats. */
  add(bytes: Uint8Array): void {
    const all = new Uint8Array(this.rest.length + bytes.length);
    all.set(this.rest);
    all.set(bytes, this.rest.length);
    const count = Math.floor(all.length / 8);
    const view = new DataView(all.buffer, 0, count * 8);
    const left = new Float32Array(count);
    const right = new Float32Array(count);
    for (let i = 0; i < count; i++) {
      left[i] = view.getFloat32(8 * i, true);
      right[i] = view.getFloat32(8 * i + 4, true);
    }
    this.rest = all.slice(count * 8);
    if (count) this.pieces.push({ left, right });
    this.length += count;
  }

  /** Copies frames from a place on, as many as there are and fit; says how many. */
  read(from: number, left: Float32Array, right: Float32Array): number {
    let start = 0;
    let done = 0;
    for (const piece of this.pieces) {
      const skip = Math.max(0, from + done - start);
      if (skip < piece.left.length) {
        const count = Math.min(piece.left.length - skip, left.length - done);
        left.set(piece.left.subarray(skip, skip + count), done);
        right.set(piece.right.subarray(skip, skip + count), done);
        done += count;
        if (done === left.length) break;
      }
      start += piece.left.length;
    }
    return done;
  }
}
