let context: AudioContext | null = null

/**
 * Three short tones of a bell, made here so that nothing has to be fetched. Silent until somebody
 * has touched the page, as browsers want it.
 */
export function ringOnce(): void {
  try {
    context ??= new AudioContext()
    if (context.state === 'suspended') void context.resume()
    for (const [k, hertz] of [880, 1108, 1318].entries()) {
      const tone = context.createOscillator()
      const volume = context.createGain()
      const at = context.currentTime + k * 0.22
      tone.frequency.value = hertz
      volume.gain.setValueAtTime(0.0001, at)
      volume.gain.exponentialRampToValueAtTime(0.3, at + 0.02)
      volume.gain.exponentialRampToValueAtTime(0.0001, at + 0.5)
      tone.connect(volume).connect(context.destination)
      tone.start(at)
      tone.stop(at + 0.55)
    }
  } catch {
    // No sound on this device: the tray still says it in words and shape.
  }
}
