import { Refusal, toProblem } from '../api/client';
import { toasts } from '../chrome/toasts.svelte';
import { Frames } from './frames';

const PIECE_SECONDS = 0.25;
const AHEAD_SECONDS = 1;
const HOLD_MS = 1500;

/** Plays sound from the server, piece by piece as it is computed; goes round in a loop; tells the level. */
export class Player {
  playing = $state(false);
  /** Waiting for sound to come. */
  waiting = $state(false);
  /** Frame that is heard. */
  frame = $state(0);
  /** Peaks as amplitudes, left and right, and those held for a moment. */
  peaks = $state.raw<[number, number]>([0, 0]);
  held = $state.raw<[number, number]>([0, 0]);
  /** Seconds from the click to the first sound, measured. */
  firstSound = $state<number>();

  private context: AudioContext | undefined;
  private gate: GainNode | undefined;
  private meters: AnalyserNode[] = [];
  private heldAt = [0, 0];
  private abort: AbortController | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;
  private frames = new Frames();
  private ended = false;
  private asked = 0;
  private readAt = 0;
  private nextTime = 0;
  /** What is scheduled: when it starts, and which frame that is. */
  private plan: { time: number; frame: number; length: number }[] = [];
  private loop: { start: number; end: number } | undefined;
  private start = 0;
  private rate = 48_000;

  async play(
    source: string,
    rate: number,
    from: number,
    loop: { start: number; end: number } | undefined,
    also: Record<string, string> = {},
  ): Promise<void> {
    this.stop();
    this.asked = performance.now();
    this.firstSound = undefined;
    this.rate = rate;
    this.loop = loop;
    this.start = loop ? loop.start : from;
    this.frame = this.start;
    this.playing = this.waiting = true;
    this.ended = false;
    this.frames = new Frames();
    this.readAt = 0;
    this.plan = [];
    this.context = new AudioContext({ sampleRate: rate });
    this.wire(this.context);
    this.nextTime = 0;
    this.abort = new AbortController();
    this.timer = setInterval(() => this.tick(), 30);
    const query = new URLSearchParams({ from: String(this.start) });
    if (loop) query.set('to', String(loop.end));
    for (const [name, value] of Object.entries(also)) query.set(name, value);
    void this.fetch(`${source}?${query}`, this.abort.signal);
  }

  private wire(context: AudioContext): void {
    this.gate = context.createGain();
    const sides = context.createChannelSplitter(2);
    this.gate.connect(context.destination);
    this.gate.connect(sides);
    this.meters = [0, 1].map((side) => {
      const meter = context.createAnalyser();
      meter.fftSize = 2048;
      sides.connect(meter, side);
      return meter;
    });
  }

  private async fetch(url: string, signal: AbortSignal): Promise<void> {
    try {
      const response = await fetch(url, { signal });
      if (!response.ok || !response.body)
        throw new Refusal(toProblem(response.status, await response.json().catch(() => undefined)));
      const reader = response.body.getReader();
      for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        this.frames.add(value);
        this.tick();
      }
      this.ended = true;
    } catch (thrown) {
      if (signal.aborted) return;
      toasts.wrong(
        thrown instanceof Refusal
          ? thrown
          : new Error('The sound broke off: it could not be made to its end, or the server is gone.'),
      );
      this.stop();
    }
  }

  /** Puts the next pieces on the clock, and reads where it stands. */
  private tick(): void {
    const context = this.context;
    if (!context || !this.gate) return;
    const size = Math.round(PIECE_SECONDS * this.rate);
    while (this.nextTime < context.currentTime + AHEAD_SECONDS) {
      const length = this.loop ? Math.min(size, this.loop.end - this.loop.start - this.readAt) : size;
      const left = new Float32Array(length);
      const right = new Float32Array(length);
      const count = this.frames.read(this.readAt, left, right);
      if (count === 0 || (count < length && !this.ended)) break;
      this.schedule(context, left.subarray(0, count), right.subarray(0, count));
      this.readAt += count;
      if (this.loop && this.readAt >= this.loop.end - this.loop.start) this.readAt = 0;
    }
    this.waiting = this.nextTime <= context.currentTime && !this.ended;
    this.where(context);
    this.level();
    if (this.ended && !this.loop && this.frames.length <= this.readAt && context.currentTime > this.nextTime)
      this.stop();
  }

  private schedule(context: AudioContext, left: Float32Array, right: Float32Array): void {
    const buffer = context.createBuffer(2, left.length, this.rate);
    buffer.copyToChannel(left as Float32Array<ArrayBuffer>, 0);
    buffer.copyToChannel(right as Float32Array<ArrayBuffer>, 1);
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(this.gate!);
    const time = Math.max(this.nextTime, context.currentTime + 0.02);
    source.start(time);
    this.firstSound ??= (performance.now() - this.asked) / 1000;
    this.plan = [
      ...this.plan.filter((each) => each.time + each.length / this.rate > context.currentTime - 1),
      { time, frame: this.start + this.readAt, length: left.length },
    ];
    this.nextTime = time + left.length / this.rate;
  }

  private where(context: AudioContext): void {
    const now = this.plan.filter((each) => each.time <= context.currentTime).at(-1);
    if (now) this.frame = now.frame + Math.min(now.length, Math.round((context.currentTime - now.time) * this.rate));
  }

  private level(): void {
    const wave = new Float32Array(2048);
    const peaks = this.meters.map((meter) => {
      meter.getFloatTimeDomainData(wave);
      return wave.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
    }) as [number, number];
    const now = performance.now();
    this.held = peaks.map((peak, side) => {
      if (peak >= this.held[side]! || now - this.heldAt[side]! > HOLD_MS) {
        this.heldAt[side] = now;
        return peak;
      }
      return this.held[side]!;
    }) as [number, number];
    this.peaks = peaks;
  }

  stop(): void {
    this.abort?.abort();
    clearInterval(this.timer);
    void this.context?.close().catch(() => undefined);
    this.context = undefined;
    this.playing = this.waiting = false;
    this.peaks = this.held = [0, 0];
  }
}
