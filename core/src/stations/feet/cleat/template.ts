import { RADIANS } from '../../../bike/contactPoints.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Side } from '../../../kernel/sided.ts'
import { checkBars, SHEET } from '../../../kernel/trueSizeSheet.ts'
import type { LineKind, SheetLine, SheetPoint, SheetText, Template } from '../../../kernel/trueSizeSheet.ts'

/** What a template is drawn from; mm and degrees. */
export interface TemplateInput {
  readonly side: Side
  /** first line of the sheet, for example the rider's name */
  readonly title: string
  /** axle behind MTP1 where the cleat shall go, and where it is; null = not read */
  readonly setback: number
  readonly setbackNow: number | null
  /** MTP1 less MTP5, both from the heel; null = not read */
  readonly mtp5Behind: number | null
  /** ends of the slot, axle behind MTP1; null = not read */
  readonly slot: { readonly foremost: number; readonly rearmost: number } | null
  /** whole room across; null = not read */
  readonly slotAcross: number | null
  /** cleat toward the bike from the sole's middle */
  readonly inboard: number
  /** where the foot shall point with the cleat in the middle of its float, toes out is plus */
  readonly turn: number
  readonly float: number | null
}

const MTP1_Y = 92
const REACH = { forward: 58, back: 118, side: 46 } as const
const BARS = { x: 20, y: 252 } as const

/**
 * A template for one shoe in true size, as its sole is seen from below with the toes up: centre line,
 * marks of the metatarsal heads, axle line at the target, lines of rotation, slot, and two bars to
 * check the printer by. The cleat's own axis points inward from the sole's by as much as the foot
 * shall point outward.
 */
export function cleatTemplate(input: TemplateInput): Template {
  const { side, setback, setbackNow, turn, float, slot, slotAcross, inboard } = input
  // From below, the side away from the bike lies on the right of a left shoe.
  const outward = side === 'left' ? 1 : -1
  const middle = SHEET.width / 2
  const at = (across: number, along: number): SheetPoint => ({ x: middle + outward * across, y: MTP1_Y - along })
  const lines: SheetLine[] = []
  const texts: SheetText[] = []
  const add = (key: string, kind: LineKind, from: SheetPoint, to: SheetPoint) => lines.push({ key, kind, from, to })
  const say = (point: SheetPoint, text: string, size = 3.4, anchor: SheetText['anchor'] = 'start') =>
    texts.push({ at: point, text, size, anchor })
  const outside = outward === 1 ? 'start' : 'end'
  const inside = outward === 1 ? 'end' : 'start'

  add('centre', 'centre', at(0, REACH.forward), at(0, -REACH.back))
  say(at(2.5, REACH.forward - 4), 'middle of the sole, toes up', 3.2, outside)
  add('mtp1', 'mark', at(-REACH.side, 0), at(-14, 0))
  say(at(-REACH.side - 2, -1), 'MTP1', 3.4, inside)
  if (input.mtp5Behind !== null) {
    add('mtp5', 'mark', at(14, -input.mtp5Behind), at(REACH.side, -input.mtp5Behind))
    say(at(REACH.side + 2, -input.mtp5Behind - 1), 'MTP5', 3.4, outside)
  }
  if (slot !== null) {
    const half = Math.max(1, (slotAcross ?? 0) / 2)
    const corners = [at(-half, -slot.foremost), at(half, -slot.foremost), at(half, -slot.rearmost), at(-half, -slot.rearmost)] as const
    corners.forEach((corner, i) => add(`slot-${i}`, 'slot', corner, corners[(i + 1) % 4] ?? corner))
    say(at(half + 2, -slot.rearmost - 1), 'slot: where the axle can go', 3, outside)
  }
  const axle = { across: -inboard, along: -setback }
  /** From the axle's middle along an angle of the foot. */
  const ray = (angle: number, length: number) =>
    at(axle.across - length * Math.sin(angle * RADIANS), axle.along + length * Math.cos(angle * RADIANS))
  const cross = (angle: number, length: number) =>
    at(axle.across + length * Math.cos(angle * RADIANS), axle.along + length * Math.sin(angle * RADIANS))
  if (setbackNow !== null && Math.abs(setbackNow - setback) > 0.05) {
    add('axle-now', 'now', at(-REACH.side + 8, -setbackNow), at(REACH.side - 8, -setbackNow))
    say(at(REACH.side - 6, -setbackNow - 1), `now ${trimmed(setbackNow, 1)}`, 3, outside)
  }
  add('axle', 'axle', cross(turn, -REACH.side), cross(turn, REACH.side))
  say(cross(turn, REACH.side + 2), `axle, ${trimmed(setback, 1)} mm behind MTP1`, 3.4, outside)
  for (const step of [-10, -5, 0, 5, 10]) {
    add(`degree-${step}`, 'degree', ray(step, 46), ray(step, 50))
    if (Math.abs(step) === 10) say(ray(step, 53), `${trimmed(step, 0)}°`, 2.8, 'middle')
  }
  add('cleat', 'cleat', ray(turn, -30), ray(turn, 45))
  if (float !== null && float > 0) {
    add('float-in', 'float', ray(turn + float / 2, 0), ray(turn + float / 2, 40))
    add('float-out', 'float', ray(turn - float / 2, 0), ray(turn - float / 2, 40))
  }

  say({ x: 15, y: 16 }, input.title.slice(0, 70), 5)
  say({ x: 15, y: 23 }, `${side === 'left' ? 'Left' : 'Right'} shoe, sole from below. Cleat template in true size.`, 4)
  say(
    { x: 15, y: 29 },
    `Cleat’s axis ${trimmed(Math.abs(turn), 1)}° ${turn >= 0 ? 'inward, so that the toes point out' : 'outward, so that the toes point in'}${float === null ? '' : `; thin lines: ends of ${trimmed(float, 1)}° float`}.`,
    3.4,
  )
  const bars = checkBars(BARS)
  lines.push(...bars.lines)
  texts.push(...bars.texts)
  say({ x: 95, y: BARS.y + 13 }, 'Bolts to the maker’s torque; practise the release.', 3.4)
  return { ...SHEET, lines, texts }
}
