/** How far each file of one upload has come, from how many bytes of all of them have left. Files go out in order. */
export function shares(sizes: number[], sentBytes: number): number[] {
  let before = 0;
  return sizes.map((size) => {
    const sent = Math.min(size, Math.max(0, sentBytes - before));
    before += size;
    if (size === 0) return sentBytes >= before ? 1 : 0;
    return sent / size;
  });
}
