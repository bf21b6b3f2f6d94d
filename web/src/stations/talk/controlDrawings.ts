import type { ControlSymptomKey } from '@level-stance/core/talk/controlSymptoms'

const ground = 'M2 27H46'
const wheel = (x: number, y: number, r: number) => `M${x - r} ${y}A${r} ${r} 0 1 0 ${x + r} ${y}A${r} ${r} 0 1 0 ${x - r} ${y}`
const saddle = 'M12 12C18 10 30 10 36 8C33 13 24 15 12 15Z'

/** Small drawings of what fails, lines in a box of 48 by 30. */
export const controlDrawings: Readonly<Record<ControlSymptomKey, readonly string[]>> = {
  'nervous-steering': ['M4 20C10 10 16 26 22 16C28 8 34 24 44 12', 'M40 10L44 12L42 16'],
  'washes-out': [ground, wheel(22, 19, 8), 'M30 13C36 14 40 18 42 23', 'M38 22L42 23L44 19'],
  'front-heavy': [ground, wheel(12, 20, 7), wheel(36, 20, 7), 'M36 9V2', 'M33 5L36 2L39 5', 'M31 4L41 12'],
  'pitched-forward': ['M2 6L46 27', wheel(14, 5, 4), wheel(32, 13, 4), 'M20 2C28 0 36 4 40 10', 'M36 10L40 10L41 6'],
  'missed-shift': ['M4 12H30', 'M30 9H40A3 3 0 0 1 40 15H30', 'M12 12V20H20', 'M26 26L32 20', 'M32 26L26 20'],
  'weak-braking': ['M4 10H30', 'M30 7H40A3 3 0 0 1 40 13H30', 'M20 13C22 22 30 24 42 24', 'M12 22H16', 'M10 26H14'],
  'bar-far': ['M8 26L14 8L30 15', wheel(15, 4, 2.5), 'M42 11V21', 'M33 16H38', 'M36 14L38 16L36 18'],
  'blocked-forward': ['M10 26L16 9', wheel(17, 5, 2.5), 'M22 8C30 9 35 14 36 20', 'M33 18L36 20L38 17', 'M24 26L42 22'],
  'slides-forward': [saddle, 'M18 22H38', 'M34 19L38 22L34 25'],
  'slides-back': [saddle, 'M34 22H12', 'M16 19L12 22L16 25'],
  rocks: ['M10 12C18 8 30 8 38 12', 'M24 12V24', 'M8 22C4 18 4 14 6 10', 'M40 22C44 18 44 14 42 10'],
  'unstable-standing': [ground, 'M14 22H34', 'M18 18H30', 'M24 18V6', 'M8 12C10 8 10 6 8 4', 'M40 12C38 8 38 6 40 4'],
  clipping: ['M8 10C16 6 26 8 34 12L42 14V18H8Z', 'M20 18V22H30V18', 'M14 26H36'],
  'leg-disconnected': ['M16 3V14L12 27', 'M32 3V10', 'M32 14V18', 'M32 22L36 27'],
  'cramp-after': ['M16 4C12 12 12 20 16 27', 'M32 4C36 12 36 20 32 27', 'M20 16L23 12L25 19L28 15'],
  'running-after': ['M28 5A3 3 0 1 0 28 5.1', 'M27 9L22 17L28 21L26 28', 'M22 17L14 19L10 25', 'M26 11L34 14', 'M25 11L18 10'],
}
