import { paper } from '@level-stance/core/kernel/drawing'
import type { Ink } from '@level-stance/core/kernel/drawing'
import { keysOf, tableOf } from '@level-stance/core/kernel/tables'

/** The colours of drawings as the page shows them now; on paper’s where it says none. */
export function pagePalette(): Readonly<Record<Ink, string>> {
  const style = getComputedStyle(document.documentElement)
  return tableOf(keysOf(paper), (ink) => {
    const colour = style.getPropertyValue(`--${ink}`).trim()
    return /^#[\da-f]{6}$/i.test(colour) ? colour : paper[ink]
  })
}

/** Hands a text to the browser as a file. */
export function download(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
