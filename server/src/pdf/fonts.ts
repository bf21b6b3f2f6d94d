import { existsSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'

/** Font files of the sheet: the product's face, and a fallback for other alphabets. */
export interface SheetFonts {
  readonly regular: readonly Buffer[]
  readonly bold: readonly Buffer[]
}

// Plain TrueType: a compressed web font would be unpacked again for every letter.
const files = {
  regular: ['@expo-google-fonts/barlow/400Regular/Barlow_400Regular.ttf', 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf'],
  bold: ['@expo-google-fonts/barlow/600SemiBold/Barlow_600SemiBold.ttf', 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf'],
} as const

/**
 * Reads the fonts that ship with the app: from `fonts/` beside the built server, else from the
 * installed packages.
 * @param from the running file, absolute
 */
export function loadSheetFonts(from: string): SheetFonts {
  const beside = join(dirname(from), 'fonts')
  const require = createRequire(from)
  const read = (file: string) => readFileSync(existsSync(beside) ? join(beside, basename(file)) : require.resolve(file))
  return { regular: files.regular.map(read), bold: files.bold.map(read) }
}
