/** How a peak level stands: at full scale, hot (above -6 dBFS), fine, or hardly there (below -60 dBFS). */
export function levelWord(peakDbfs: number | null): 'full' | 'hot' | 'fine' | 'low' {
  if (peakDbfs === null || peakDbfs < -60) return 'low';
  // The highest step of 16 bits lies 0.0003 dB below full scale.
  if (peakDbfs > -0.0004) return 'full';
  return peakDbfs > -6 ? 'hot' : 'fine';
}
