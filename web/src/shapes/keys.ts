import type { ScaleForm } from '../api/client'

const MAJOR = ['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯']
const MINOR = ['A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯', 'G♯', 'D♯', 'A♯']

/** The fifteen signatures, by their tonics, from seven flats to seven sharps. */
export const keyOptions = (form: ScaleForm) =>
  (form === 'major' ? MAJOR : MINOR).map((tonic, i) => ({
    value: i - 7,
    label: `${tonic} ${form === 'major' ? 'major' : 'minor'}, ${i === 7 ? 'no sharps or flats' : `${Math.abs(i - 7)} ${i > 7 ? '♯' : '♭'}`}`,
  }))

export const FORMS: { value: ScaleForm; label: string }[] = [
  { value: 'major', label: 'Major' },
  { value: 'naturalMinor', label: 'Natural minor' },
  { value: 'harmonicMinor', label: 'Harmonic' },
  { value: 'melodicMinor', label: 'Melodic' },
]
