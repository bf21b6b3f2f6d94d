import { existsSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'

/** Font files of the sheet: the product's face, its extended half, and a wide fallback. */
export interface SheetFonts {
  readonly regular: readonly Buffer[]
  readonly bold: readonly Buffer[]
}

const files = {
  regular: ['@fontsource/barlow/files/barlow-latin-400-normal.woff', '@fontsource/barlow/files/barlow-latin-ext-400-normal.woff', 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf'],
  bold: ['@fontsource/barlow/files/barlow-latin-600-normal.woff', '@fontsource/barlow/files/barlow-latin-ext-600-normal.woff', 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf'],
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
