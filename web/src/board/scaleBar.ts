import type { LengthUnit } from '@level-stance/core/kernel/entry'
import type { Drawn, Shape } from '@level-stance/core/kernel/drawing'

/** How thick the bar of a scale is and how high its words, in the drawing’s unit. */
interface ScaleSizes {
  readonly size: number
  readonly line: number
}

/** The scale of a drawing in millimetres, a round length of the unit in use. */
export function scaleBar(
  unit: LengthUnit,
  round: { readonly mm: number; readonly inches: number },
  at: Drawn,
  { size, line }: ScaleSizes,
): Shape {
  const [length, text] = unit === 'in' ? [25.4 * round.inches, `${round.inches} in`] : [round.mm, `${round.mm} mm`]
  return {
    key: 'scale',
    kind: 'group',
    at,
    shapes: [
      { key: 'bar', kind: 'line', look: { stroke: 'muted', width: line }, from: { x: 0, y: 0 }, to: { x: length, y: 0 } },
      { key: 'length', kind: 'text', lettering: { fill: 'muted', size }, at: { x: 0, y: -6 * (size / 14) }, text },
    ],
  }
}
