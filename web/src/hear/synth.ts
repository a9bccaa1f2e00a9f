export type Sound = 'bowed' | 'plucked'

const frequency = (midi: number) => 440 * 2 ** ((midi - 69) / 12)

/**
 * Sounds made here with Web Audio: a bowed and a plucked tone, a click, a drone. Times are in seconds of the audio
 * clock.
 */
export class Synth {
  readonly context = new AudioContext()
  private readonly out = this.context.createGain()
  private droneNodes: AudioScheduledSourceNode[] = []
  private sounding = new Set<AudioScheduledSourceNode>()

  constructor(volume: number) {
    this.volume = volume
    // Nothing may jump out of headphones.
    const limit = this.context.createDynamicsCompressor()
    this.out.connect(limit).connect(this.context.destination)
  }

  get now() {
    return this.context.currentTime
  }

  set volume(value: number) {
    // The ear hears steps of equal ratio as equal.
    this.out.gain.setTargetAtTime(value * value * 0.5, this.context.currentTime, 0.02)
  }

  note(midi: number, at: number, seconds: number, sound: Sound) {
    const level = this.context.createGain()
    const tone = this.context.createOscillator()
    tone.frequency.value = frequency(midi)
    const dull = this.context.createBiquadFilter()
    dull.type = 'lowpass'
    if (sound === 'bowed') {
      tone.type = 'sawtooth'
      dull.frequency.value = Math.min(5000, frequency(midi) * 5)
      const end = Math.max(at + 0.09, at + seconds)
      level.gain.setValueAtTime(0, at)
      level.gain.linearRampToValueAtTime(0.32, at + Math.min(0.06, seconds / 2))
      level.gain.setValueAtTime(0.28, end - 0.04)
      level.gain.linearRampToValueAtTime(0, end + 0.03)
      this.run(tone, at, end + 0.05)
    } else {
      tone.type = 'triangle'
      dull.frequency.setValueAtTime(frequency(midi) * 8, at)
      dull.frequency.exponentialRampToValueAtTime(frequency(midi) * 1.5, at + 0.4)
      level.gain.setValueAtTime(0.0001, at)
      level.gain.exponentialRampToValueAtTime(0.6, at + 0.006)
      level.gain.exponentialRampToValueAtTime(0.001, at + 1.1)
      this.run(tone, at, at + 1.2)
    }
    tone.connect(dull).connect(level).connect(this.out)
  }

  click(at: number, strong: boolean) {
    const level = this.context.createGain()
    const tone = this.context.createOscillator()
    tone.type = 'square'
    tone.frequency.value = strong ? 1500 : 1000
    level.gain.setValueAtTime(strong ? 0.16 : 0.1, at)
    level.gain.exponentialRampToValueAtTime(0.0005, at + 0.05)
    tone.connect(level).connect(this.out)
    this.run(tone, at, at + 0.06)
  }

  /** A held tone and its octave; null ends it. */
  drone(midi: number | null) {
    this.droneNodes.forEach((n) => n.stop(this.now + 0.1))
    this.droneNodes = []
    if (midi === null) return
    void this.context.resume()
    for (const [pitch, loudness] of [
      [midi, 0.12],
      [midi + 12, 0.05],
    ] as const) {
      const level = this.context.createGain()
      level.gain.setValueAtTime(0, this.now)
      level.gain.linearRampToValueAtTime(loudness, this.now + 0.3)
      const tone = this.context.createOscillator()
      tone.type = 'triangle'
      tone.frequency.value = frequency(pitch)
      tone.connect(level).connect(this.out)
      tone.start()
      this.droneNodes.push(tone)
    }
  }

  /** Ends every note at once; the drone goes on. */
  silence() {
    for (const node of this.sounding) node.stop()
    this.sounding.clear()
  }

  close() {
    void this.context.close()
  }

  private run(node: OscillatorNode, at: number, end: number) {
    node.start(at)
    node.stop(end)
    this.sounding.add(node)
    node.onended = () => this.sounding.delete(node)
  }
}
