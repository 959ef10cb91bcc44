import type { Settings } from '../lib/api/types';

/** What can be chosen for all files, and how it is said. */
export const FORMATS = [
  ['wav', 'WAV'],
  ['aiff', 'AIFF'],
  ['flac', 'FLAC'],
] as const;
/** Small files of the mix. */
export const LISTENING = [
  ['mp3', 'MP3'],
  ['flac', 'FLAC'],
] as const;
export const LEVELS = [
  ['asTheyAre', 'as they are'],
  ['headroom', 'headroom for the whole'],
  ['window', 'each peak in −24 to −6 dBFS'],
] as const;
export const DEPTHS = ['int16', 'int24', 'int32', 'float32'] as const;
export const RATES = [44_100, 48_000, 88_200, 96_000] as const;
export const CHANNELS = [
  ['automatic', 'as measured'],
  ['mono', 'mono'],
  ['stereo', 'stereo'],
  ['twoMono', 'two mono files'],
] as const;
export const RETURNS = [
  ['ownFiles', 'files of their own'],
  ['sharedOut', 'shared out to rows'],
  ['leftOut', 'left out'],
] as const;
export const DYNAMICS = [
  ['inPlace', 'in place'],
  ['alone', 'alone'],
] as const;
export const CLICKS = [
  ['none', 'none'],
  ['first', 'first'],
  ['last', 'last'],
] as const;
export const FOLDERS = [
  ['kind', 'by kind'],
  ['role', 'by role'],
  ['flat', 'all in one'],
] as const;

export const RETURN_WORDS: Record<NonNullable<Settings['returns']>, string> = {
  ownFiles: 'Each return is a file; rows come without it. Together they add up to the mix.',
  sharedOut: 'Every row carries its own share of reverbs and echoes. Rows alone add up to the mix.',
  leftOut: 'Reverbs and echoes on returns are only in the reference mix.',
};
export const DYNAMICS_WORDS: Record<NonNullable<Settings['dynamics']>, string> = {
  inPlace: 'Compressors on buses and mix do to each row what they did to the whole: the files add up.',
  alone: 'Each row goes through buses and mix as in solo: the files do not add up.',
};
