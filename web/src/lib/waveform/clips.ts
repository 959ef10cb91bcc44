import type { AudioRow, Clip, Session } from '../api/types';

/** What is heard of a row: the clips of its active take that are not muted. */
export function activeClips(row: AudioRow): Clip[] {
  return (row.takes.find((take) => take.id === row.active)?.clips ?? []).filter((clip) => !clip.muted);
}

const byHash = new WeakMap<Session, Map<string, Session['recordings'][number]>>();

/** The recording a clip is cut from; found at once however many there are. */
export function recordingOf(session: Session, clip: Clip): Session['recordings'][number] | undefined {
  let known = byHash.get(session);
  if (!known) byHash.set(session, (known = new Map(session.recordings.map((each) => [each.sha256, each]))));
  return known.get(clip.recording);
}

/** Frames of its recording in one frame of the session: 1 unless their rates differ. */
export function recordingFramesPerFrame(session: Session, clip: Clip): number {
  const recording = recordingOf(session, clip);
  return recording ? recording.rate / session.rate : 1;
}

const CURVES: Record<Clip['fadeIn']['curve'], (x: number) => number> = {
  straight: (x) => x,
  equalPower: (x) => Math.sin((x * Math.PI) / 2),
  soft: (x) => (1 - Math.cos(x * Math.PI)) / 2,
  slow: (x) => x * x,
};

/** Factor of a clip's fades at one of its frames. */
export function fadeAt(clip: Clip, frame: number): number {
  let factor = 1;
  if (frame < clip.fadeIn.frames) factor *= CURVES[clip.fadeIn.curve](frame / clip.fadeIn.frames);
  const left = clip.frames - frame;
  if (left < clip.fadeOut.frames) factor *= CURVES[clip.fadeOut.curve](left / clip.fadeOut.frames);
  return factor;
}
