import { cssOf, elementOf, letteringAttributes, lookAttributes } from '@level-stance/core/kernel/drawing'
import type { Attributes, Look, Lettering, Shape } from '@level-stance/core/kernel/drawing'
import type { Message } from '@level-stance/core/kernel/message'
import { h } from 'vue'
import type { FunctionalComponent, VNode } from 'vue'
import { usePreferences } from '../data/preferences.ts'

/** A look is a row of a table: its attributes are worked out once. */
const byLook = new WeakMap<Look, Attributes>()
function lookOf(look: Look): Attributes {
  const known = byLook.get(look) ?? lookAttributes(look, cssOf)
  byLook.set(look, known)
  return known
}
const letteringOf = (of: Lettering) => letteringAttributes(of, cssOf)

function nodeOf(shape: Shape, words: (message: Message) => string): VNode {
  const { tag, key, attributes, inside } = elementOf(shape, { look: lookOf, lettering: letteringOf, words })
  return h(tag, { key, 'data-shape': key, ...attributes }, typeof inside === 'string' ? inside : inside.map((one) => nodeOf(one, words)))
}

/** Shapes of a drawing as elements of the SVG around them; what a hand can hold lies over them. */
export const DrawnShapes: FunctionalComponent<{ readonly shapes: readonly Shape[] }> = ({ shapes }) => {
  const { plain } = usePreferences()
  return shapes.map((shape) => nodeOf(shape, plain))
}
DrawnShapes.props = ['shapes']
