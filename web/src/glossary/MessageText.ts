import { h } from 'vue'
import type { FunctionalComponent } from 'vue'
import { pieceText, piecesOf } from '@level-stance/core/kernel/message'
import type { Message } from '@level-stance/core/kernel/message'
import { usePreferences } from '../data/preferences.ts'
import type { TermKey } from './terms.ts'

/**
 * A message in the unit in use, with the terms of the trade in it marked where each is first named: a pointer that rests on one is
 * told what it means (`TermTip.vue`). With `term` all of it is the name of one term.
 */
export const MessageText: FunctionalComponent<{ of: Message; term?: TermKey | null | undefined }> = ({ of, term }) => {
  const { unit, plain } = usePreferences()
  if (term) return marked(plain(of), term)
  const named = new Set<string>()
  return piecesOf(of).map((piece) => {
    if (typeof piece === 'string' || !('term' in piece) || named.has(piece.term)) return pieceText(piece, unit)
    named.add(piece.term)
    return marked(piece.words, piece.term)
  })
}
MessageText.props = ['of', 'term']
const marked = (words: string, term: string) => h('span', { 'data-means': term }, words)
