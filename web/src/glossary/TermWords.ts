import { h } from 'vue'
import type { FunctionalComponent } from 'vue'
import { piecesOf } from './terms.ts'
import type { TermKey } from './terms.ts'

/**
 * Words of a screen, with the terms of the trade among them marked: a pointer that rests on one is told what
 * it means (`TermTip.vue`). With `of` all the words are the name of one term.
 */
export const TermWords: FunctionalComponent<{ text: string; of?: TermKey | null | undefined }> = ({ text, of }) =>
  (of ? [{ words: text, term: of }] : piecesOf(text)).map(({ words, term }) =>
    term === null ? words : h('span', { 'data-means': term }, words),
  )
TermWords.props = ['text', 'of']
