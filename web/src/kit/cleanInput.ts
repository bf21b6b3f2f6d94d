import { storableText } from '@level-stance/core/kernel/storable'

/**
 * Takes characters that cannot be stored out of every field while it is typed or pasted in, before
 * any field hears of it. The caret stays where it is in the text.
 * @returns how to stop
 */
export function cleanInput(root: Document = document): () => void {
  const clean = ({ target }: Event): void => {
    if (!(target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) || target.type === 'file') return
    const { value } = target
    const kept = storableText(value)
    if (kept === value) return
    const caret = target.selectionStart === null ? null : storableText(value.slice(0, target.selectionStart)).length
    target.value = kept
    if (caret !== null) target.setSelectionRange(caret, caret)
  }
  root.addEventListener('input', clean, { capture: true })
  return () => root.removeEventListener('input', clean, { capture: true })
}
