import { cssOf, elementOf, letteringAttributes, lookAttributes } from '@level-stance/core/kernel/drawing'
import type { Attributes, Look, Lettering, Shape, SvgElement } from '@level-stance/core/kernel/drawing'
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

const nodeOf = ({ tag, key, attributes, inside }: SvgElement): VNode =>
  h(tag, { key, 'data-shape': key, ...attributes }, typeof inside === 'string' ? inside : inside.map(nodeOf))

/** Shapes of a drawing as elements of the SVG around them; what a hand can hold lies over them. */
export const DrawnShapes: FunctionalComponent<{ readonly shapes: readonly Shape[] }> = ({ shapes }) => {
  const { plain } = usePreferences()
  return shapes.map((shape) => nodeOf(elementOf(shape, { look: lookOf, lettering: letteringOf, words: plain })))
}
DrawnShapes.props = ['shapes']
