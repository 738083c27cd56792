/** A stop that is heard and felt: three beeps and a shake, where the device has them. */
export function sound(): void {
  globalThis.navigator?.vibrate?.([400, 150, 400, 150, 400])
  const Made = globalThis.AudioContext
  if (!Made) return
  try {
    const context = new Made()
    const volume = context.createGain()
    volume.gain.value = 0.25
    volume.connect(context.destination)
    for (const at of [0, 0.55, 1.1]) {
      const tone = context.createOscillator()
      tone.type = 'square'
      tone.frequency.value = 880
      tone.connect(volume)
      tone.start(context.currentTime + at)
      tone.stop(context.currentTime + at + 0.4)
    }
    globalThis.setTimeout(() => void context.close(), 2200)
  } catch {
    // A page that was not touched yet may make no sound: the words stand there.
  }
}
