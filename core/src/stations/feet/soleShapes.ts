import { rounded, smooth } from '../../figure/shapes.ts'
import type { Frame } from '../../figure/frame.ts'
import { trimmed } from '../../kernel/entry.ts'
import { circleShape, groupShape, lineShape, pathShape } from '../../kernel/drawing.ts'
import type { Drawing, Drawn, Lettering, Look, Shape } from '../../kernel/drawing.ts'
import { bare, joined, mm, msg } from '../../kernel/message.ts'
import type { Message } from '../../kernel/message.ts'
import { sides } from '../../kernel/sided.ts'
import type { Side, Sided } from '../../kernel/sided.ts'
import type { Setup } from '../../rider/setup.ts'
import { asItStands, boardBikeOf, boardFootOf } from './boardFoot.ts'
import type { BoardBike, BoardFoot } from './boardFoot.ts'
import { cleatSchool } from './cleat/schools.ts'
import { soleDrawing } from './cleat/soleDrawing.ts'
import type { SolePoint } from './cleat/soleDrawing.ts'

/** What a page wants to see of the feet: schools and slot, float and swing, or the shoe round the foot. */
export type SoleView = 'fore-aft' | 'rotation' | 'shoe'

const looks = {
  sole: { fill: 'sole', fillOpacity: 0.86, stroke: 'ink', width: 1.2 },
  guessed: { fill: 'sole', fillOpacity: 0.86, stroke: 'ink', width: 1.2, dash: [5, 3] },
  insole: { fill: 'petrol', fillOpacity: 0.07, stroke: 'petrol', width: 1.6 },
  long: { stroke: 'steel', width: 0.8, dash: [10, 4, 2, 4] },
  fan: { fill: 'glass', fillOpacity: 0.75, stroke: 'glass-edge' },
  cup: { stroke: 'muted', width: 0.8, dash: [3, 3] },
  swing: { stroke: 'bubble', width: 6 },
  unknown: { stroke: 'steel', dash: [5, 4] },
  school: { stroke: 'petrol', strokeOpacity: 0.55, width: 0.9, dash: [5, 4] },
  slot: { fill: 'panel', stroke: 'muted', width: 0.8 },
  ghost: { stroke: 'muted', strokeOpacity: 0.6 },
  cleat: { fill: 'steel', fillOpacity: 0.45, stroke: 'ink', width: 1.6 },
  axle: { stroke: 'ink', width: 1.6 },
  head: { fill: 'panel', stroke: 'ink', width: 1.4 },
  toTry: { fill: 'petrol', fillOpacity: 0.06, stroke: 'petrol', width: 1.8, dash: [5, 3] },
  axleToTry: { stroke: 'petrol', width: 1.8, dash: [5, 3] },
  step: { stroke: 'petrol', width: 2.5 },
  middle: { stroke: 'steel', dash: [10, 4, 2, 4] },
  arm: { fill: 'steel', fillOpacity: 0.55, stroke: 'muted' },
  armGuessed: { fill: 'steel', fillOpacity: 0.55, stroke: 'muted', dash: [5, 3] },
  stay: { stroke: 'steel', width: 3 },
  spindle: { stroke: 'steel', width: 9 },
  pedalAxle: { stroke: 'muted', width: 3 },
  asked: { stroke: 'petrol', width: 1.4, dash: [5, 3] },
  chain: { stroke: 'muted' },
} as const satisfies Readonly<Record<string, Look>>
const letters = {
  caption: { fill: 'muted', size: 12, anchor: 'middle' },
  value: { fill: 'ink', size: 16, anchor: 'middle', isBold: true },
  step: { fill: 'petrol', size: 11, anchor: 'middle', isBold: true, rim: 3 },
  part: { fill: 'muted', size: 10.5, anchor: 'middle' },
  sum: { fill: 'ink', size: 12, anchor: 'middle', isBold: true },
  stance: { fill: 'ink', size: 15, anchor: 'middle', isBold: true },
} as const satisfies Readonly<Record<string, Lettering>>

const words = (key: string, lettering: Lettering, at: Drawn, text: Message, then?: Message): Shape => ({
  key,
  kind: 'text',
  lettering,
  at,
  text,
  ...(then === undefined ? {} : { then: { text: msg`→ ${then}`, fill: 'petrol' } }),
})

/** The cleat’s own outline about its axle, mm: a plate wider at its nose. */
const PLATE = 'M-19 -20 Q0 -30 19 -20 L23 4 L17 20 Q0 25 -17 20 L-23 4 Z'
const AXLE = 36

/** Where everything about a foot lies, mm from its pedal’s middle, y to the back; the foot itself is turned by its float’s middle. */
export interface FootFrame {
  readonly outward: 1 | -1
  /** degrees clockwise that the foot is turned */
  readonly turned: number
  readonly axleFromHeel: number
  /** middle of the sole, across */
  readonly middleX: number
  /** place on the sole of an axle so far behind the ball, from where it is now */
  readonly axleY: (setback: number) => number
  /** a direction of the heel about the pedal, at a distance; toes out is plus */
  readonly heelAt: (toeOut: number, radius: number) => Drawn
}

export function footFrameOf(side: Side, { turn, setbackNow, heelToMtp1, inboard }: BoardFoot): FootFrame {
  const outward = side === 'left' ? -1 : 1
  return {
    outward,
    turned: outward * (turn ?? 0),
    axleFromHeel: (heelToMtp1 ?? 190) - (setbackNow ?? 0),
    middleX: outward * inboard,
    axleY: (setback) => setback - (setbackNow ?? 0),
    heelAt: (toeOut, radius) => {
      const angle = (toeOut * Math.PI) / 180
      return { x: -outward * radius * Math.sin(angle), y: radius * Math.cos(angle) }
    },
  }
}

/** One foot from above about its pedal, from below to above; its cleat stays in line with the bike. */
export function footShapes(side: Side, foot: BoardFoot, view: SoleView): Shape[] {
  const { footLength, heelToMtp1, heelToMtp5, footWidth, heelWidth, shoe } = foot
  if (footLength === null || heelToMtp1 === null) {
    return [
      pathShape('unknown', looks.unknown, rounded(-50, -90, 100, 262, 50)),
      words('to measure', letters.caption, { x: 0, y: 30 }, 'measure'),
      words('what', letters.caption, { x: 0, y: 48 }, footLength === null ? 'foot length' : 'heel to ball'),
    ]
  }
  const frame = footFrameOf(side, foot)
  const { outward, turned, axleFromHeel, middleX, axleY } = frame
  const onSole = ({ across, along }: SolePoint): Drawn => ({ x: middleX + outward * across, y: axleFromHeel - along })
  const drawn = soleDrawing({ footLength, heelToMtp1, heelToMtp5, ballWidth: footWidth, heelWidth })
  const outline = smooth(drawn.outline.map(onSole))
  const insole =
    view === 'shoe' && shoe
      ? soleDrawing({ footLength: shoe.length, heelToMtp1, heelToMtp5, ballWidth: shoe.ballWidth, heelWidth: shoe.heelWidth })
      : null
  const plate = (key: string, setback: number, shapes: readonly Shape[]): Shape => ({
    key,
    kind: 'group',
    at: { x: 0, y: axleY(setback) },
    turn: -turned,
    shapes,
  })
  const { slot, setbackStart, setbackNow, aim, firstStep, turnAim, turn } = foot
  const across = Math.max(10, foot.slotAcross ?? 0)
  const axle = (key: string, look: Look, half = AXLE) => lineShape(key, look, { x: -half, y: 0 }, { x: half, y: 0 })
  const sole: Shape[] = [
    pathShape('sole', foot.footEstimated ? looks.guessed : looks.sole, outline),
    ...(insole ? [pathShape('insole', looks.insole, smooth(insole.outline.map(onSole)))] : []),
    lineShape('long', looks.long, { x: middleX, y: axleFromHeel }, { x: middleX, y: axleFromHeel - footLength }),
    ...(view === 'fore-aft' ? schoolShapes(foot, frame) : []),
    ...(slot
      ? [
          pathShape(
            'slot',
            looks.slot,
            rounded(middleX - across / 2, axleY(slot.foremost), across, Math.max(1, slot.rearmost - slot.foremost), 3),
          ),
        ]
      : []),
    ...(setbackStart !== null && setbackStart !== setbackNow
      ? [plate('start', setbackStart, [pathShape('ghost', looks.ghost, PLATE)])]
      : []),
    ...(setbackNow !== null ? [plate('now', setbackNow, [pathShape('cleat', looks.cleat, PLATE), axle('axle', looks.axle)])] : []),
    circleShape('MTP1', looks.head, onSole(drawn.mtp1), 4.5),
    ...(drawn.mtp5 ? [circleShape('MTP5', looks.head, onSole(drawn.mtp5), 4.5)] : []),
    ...(turnAim !== null && turnAim !== turn
      ? [groupShape('turned', [pathShape('turn to try', looks.toTry, outline)], outward * (turnAim - (turn ?? 0)))]
      : []),
    ...(aim !== null ? [plate('to try', aim, [pathShape('cleat to try', looks.toTry, PLATE), axle('axle to try', looks.axleToTry)])] : []),
    ...(firstStep !== null && firstStep !== aim
      ? [plate('first', firstStep, [axle('step', looks.step, 30), words('now', letters.step, { x: -outward * 44, y: 4 }, 'now')])]
      : []),
  ]
  const { fan, swing } = view === 'rotation' ? swingShapes(foot, frame) : { fan: [], swing: [] }
  return [...fan, groupShape('foot', sole, turned), ...swing, ...valueShapes(foot, frame, view)]
}

/** Lines of the schools that fall on this foot; labels on the outer side, moved apart where they would touch. */
function schoolShapes({ schools }: BoardFoot, { outward, turned, middleX, axleY }: FootFrame): Shape[] {
  const rows = schools
    .flatMap(({ school, target }) => (target === null ? [] : [{ key: school, label: cleatSchool(school).tick, y: axleY(target) }]))
    .sort((a, b) => a.y - b.y)
  let last = -Infinity
  const lettering = { fill: 'petrol', size: 11, anchor: outward === -1 ? 'end' : 'start' } as const
  return rows.flatMap(({ key, label, y }): Shape[] => {
    last = Math.max(y + 3.5, last + 12)
    return [
      lineShape(`school ${key}`, looks.school, { x: middleX - 52, y }, { x: middleX + 52, y }),
      {
        key: `label ${key}`,
        kind: 'group',
        at: { x: middleX + outward * 55, y: last },
        turn: -turned,
        shapes: [words('name', lettering, { x: 0, y: 0 }, label)],
      },
    ]
  })
}

/** The float as a sector of the heel’s directions with the heel at both ends, and the swing as an arc beyond it. */
function swingShapes(
  { turn, float, swing, heelOutside }: BoardFoot,
  { outward, axleFromHeel, heelAt }: FootFrame,
): { fan: Shape[]; swing: Shape[] } {
  if (turn === null || float === null) return { fan: [], swing: [] }
  const sweep = outward === 1 ? 1 : 0
  const arc = (low: number, high: number, radius: number) => {
    const [from, to] = [heelAt(low, radius), heelAt(high, radius)]
    return { from, to, d: `A${radius} ${radius} 0 0 ${sweep} ${to.x} ${to.y}` }
  }
  const ends = [turn - float / 2, turn + float / 2] as const
  const radius = axleFromHeel + 14
  const edge = arc(...ends, radius)
  const swung = swing && arc(swing.low, swing.high, radius + 9)
  return {
    fan: [
      pathShape('fan', looks.fan, `M0 0 L${edge.from.x} ${edge.from.y} ${edge.d} Z`),
      ...(heelOutside === null
        ? []
        : ends.map((toeOut, i) => circleShape(`cup ${i}`, looks.cup, heelAt(toeOut, axleFromHeel - heelOutside / 2), heelOutside / 2))),
    ],
    swing: swung ? [pathShape('swing', looks.swing, `M${swung.from.x} ${swung.from.y} ${swung.d}`)] : [],
  }
}

/** What the page is about in figures, under the heel. */
function valueShapes({ turn, turnAim, setbackNow, aim, shoe }: BoardFoot, { axleFromHeel }: FootFrame, view: SoleView): Shape[] {
  const at = { x: 0, y: axleFromHeel + 76 }
  const missing = (what: string) => [words('value', letters.caption, at, what)]
  const degrees = (value: number) => `${trimmed(value, 1)}°`
  if (view === 'shoe') return shoe === null ? missing('measure the insole') : []
  if (view === 'rotation') {
    if (turn === null) return missing('cleat’s turn not read')
    return [words('value', letters.value, at, degrees(turn), turnAim === null || turnAim === turn ? undefined : degrees(turnAim))]
  }
  if (setbackNow === null) return missing('measure behind ball')
  return [words('value', letters.value, at, msg`${mm(setbackNow, 1)}`, aim === null || aim === setbackNow ? undefined : msg`${mm(aim, 1)}`)]
}

/** Where both soles and what lies under them stand, mm from the bike’s middle at the pedals. */
export interface SoleFrame {
  readonly box: Frame
  /** y of the chain of lengths that makes the stance */
  readonly chainY: number
  /** x of each pedal’s middle: the foot’s less what the cleat shifts it */
  readonly pedalX: Sided<number>
}

const sign = { left: -1, right: 1 } as const

export function soleFrameOf(feet: Sided<BoardFoot>): SoleFrame {
  const each = sides.map((side) => feet[side])
  const ahead = Math.max(
    90,
    ...each.map(({ footLength, heelToMtp1, setbackNow }) => (footLength ?? 250) - (heelToMtp1 ?? 185) + (setbackNow ?? 0)),
  )
  const behind = Math.max(150, ...each.map(({ heelToMtp1, setbackNow }) => (heelToMtp1 ?? 185) - (setbackNow ?? 0)))
  const halfWidth = Math.max(...each.map(({ half }) => half)) + 98
  const [top, chainY] = [-ahead - 34, behind + 94]
  return {
    box: { x: -halfWidth, y: top, width: 2 * halfWidth, height: chainY + 62 - top },
    chainY,
    pedalX: { left: feet.left.inboard - feet.left.half, right: feet.right.half - feet.right.inboard },
  }
}

/** What lies under both feet: middle, stays, cranks, pedal axles, and the lengths that make the stance. */
export function underSoles(feet: Sided<BoardFoot>, { tread, treadEstimated, crank, stayWidth }: BoardBike): Shape[] {
  const { box, chainY, pedalX } = soleFrameOf(feet)
  const [top, bottom] = [box.y, box.y + box.height]
  const back = bottom - 66
  const stance = feet.left.half + feet.right.half
  const aim = (feet.left.halfAim ?? feet.left.half) + (feet.right.halfAim ?? feet.right.half)
  const isMoved = Math.abs(aim - stance) >= 0.05
  const isEstimated = sides.some((side) => feet[side].halfEstimated)
  return [
    lineShape('middle', looks.middle, { x: 0, y: top + 20 }, { x: 0, y: bottom - 58 }),
    words('middle’s name', letters.caption, { x: 0, y: top + 14 }, 'bike’s middle'),
    ...sides.map((side) => words(`name ${side}`, letters.caption, { x: sign[side] * feet[side].half, y: top + 14 }, side)),
    ...(stayWidth === null || crank === null
      ? []
      : [
          ...sides.map((side) =>
            pathShape(
              `stay ${side}`,
              looks.stay,
              `M${sign[side] * 34} ${crank} L${(sign[side] * stayWidth) / 2} ${Math.min(back, crank + 90)} V${back}`,
            ),
          ),
          words('stays', letters.caption, { x: 0, y: bottom - 100 }, 'stays'),
        ]),
    ...(crank === null
      ? []
      : [
          ...sides.map((side) =>
            pathShape(`arm ${side}`, treadEstimated ? looks.armGuessed : looks.arm, armPath(sign[side], tread, crank)),
          ),
          lineShape('spindle', looks.spindle, { x: 8 - tread / 2, y: crank }, { x: tread / 2 - 8, y: crank }),
        ]),
    ...sides.flatMap((side): Shape[] => {
      const { half, halfAim } = feet[side]
      const x = sign[side] * (halfAim ?? half)
      return [
        lineShape(
          `pedal axle ${side}`,
          looks.pedalAxle,
          { x: (sign[side] * tread) / 2, y: 0 },
          { x: pedalX[side] + sign[side] * 40, y: 0 },
        ),
        ...(halfAim !== null && halfAim !== half ? [lineShape(`asked ${side}`, looks.asked, { x, y: top + 22 }, { x, y: chainY })] : []),
      ]
    }),
    ...sides.flatMap((side) => chainShapes(sign[side], side, feet[side], chainY)),
    lineShape('middle of the chain', looks.middle, { x: 0, y: chainY - 8 }, { x: 0, y: chainY + 8 }),
    words(
      'stance',
      letters.stance,
      { x: 0, y: chainY + 36 },
      msg`stance ${mm(stance, 1)}${isEstimated ? ' est.' : ''}`,
      isMoved ? msg`${mm(aim, 1)}` : undefined,
    ),
  ]
}

/** A crank arm leans in from the pedal to the bracket; both are drawn forward. */
const armPath = (s: 1 | -1, tread: number, crank: number) =>
  `M${s * (tread / 2)} -14 L${s * (tread / 2)} 14 L${s * (tread / 2 - 8)} ${crank + 16} L${s * (tread / 2 - 26)} ${crank + 16} L${s * (tread / 2 - 14)} -14 Z`

/** Shorter parts than this have no room for their name, mm. */
const NAMED = 30

/** The lengths that make half a stance, from the middle outward, with their sum. */
function chainShapes(s: 1 | -1, side: Side, { chain, half }: BoardFoot, y: number): Shape[] {
  let from = 0
  const parts = chain.flatMap(({ label, length }): Shape[] => {
    const [start, end] = [s * from, s * (from + length)]
    from += length
    return [
      lineShape(`end of ${label}, ${side}`, looks.chain, { x: end, y: y - 5 }, { x: end, y: y + 5 }),
      ...(length < NAMED ? [] : [words(`${label}, ${side}`, letters.part, { x: (start + end) / 2, y: y - 5 }, label)]),
    ]
  })
  const terms = chain.map(({ length }, i): Message => {
    if (i === 0) return msg`${bare(length, 1)}`
    return length < 0 ? msg` − ${bare(-length, 1)}` : msg` + ${bare(length, 1)}`
  })
  const sum = msg`${joined(terms, '')} = ${mm(half, 1)}`
  return [
    lineShape(`chain ${side}`, looks.chain, { x: 0, y }, { x: s * half, y }),
    ...parts,
    words(`sum ${side}`, letters.sum, { x: (s * half) / 2, y: y + 16 }, sum),
  ]
}

/** Both soles on their pedals to keep, as they stand; pale: where the cleats were at the start. Null while neither foot can be drawn. */
export function solePicture(setup: Setup, start: Setup, title: string): Drawing | null {
  const foot = (side: Side) => boardFootOf(setup, start, side, { schools: [], swing: null }, asItStands)
  const feet = { left: foot('left'), right: foot('right') }
  if (sides.every((side) => feet[side].footLength === null || feet[side].heelToMtp1 === null)) return null
  const { box, pedalX } = soleFrameOf(feet)
  const placed = sides.map((side): Shape => ({
    key: side,
    kind: 'group',
    at: { x: pedalX[side], y: 0 },
    shapes: footShapes(side, feet[side], 'fore-aft'),
  }))
  return { title, box, shapes: [...underSoles(feet, boardBikeOf(setup)), ...placed] }
}
