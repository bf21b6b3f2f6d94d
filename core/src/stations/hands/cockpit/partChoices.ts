import type { Message } from '../../../kernel/message.ts'
import { riderMetrics } from '../../../body/metrics.ts'
import { riderWith } from '../../../rider/calibrated.ts'
import { movesOf, withMoves } from '../../../ledger/moves.ts'
import type { Requested, RequestedMove } from '../../../ledger/moves.ts'
import type { RequestedExchange } from '../../../ledger/parts.ts'
import type { Setup } from '../../../rider/setup.ts'
import { standsAt } from '../../../readings/resolve.ts'
import { axlesOf } from '../../../model/riderModel.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { capitalised, mm, msg } from '../../../kernel/message.ts'
import { sides } from '../../../kernel/sided.ts'
import type { Side } from '../../../kernel/sided.ts'
import { straightPart } from '../bar/room.ts'
import { cockpitPart, fullPart } from './inputs.ts'
import type { CockpitSpec } from './parts.ts'
import { neckFor } from '../place/handSweep.ts'
import { thumbOf } from '../controls/inputs.ts'
import { halfBar } from '../bar/halfBar.ts'
import { INDEX_OFFSET } from '../levers/rules.ts'
import { shifterOptions, thumbZone } from '../controls/shifters.ts'

/** A part of the catalogue on this bike: what it would do, and the change that fits it. */
export interface PartChoice {
  readonly spec: CockpitSpec
  /** mm that it leaves undone; the rows are ordered by it */
  readonly misses: number
  readonly fits: boolean
  readonly words: Message
  readonly requested: readonly Requested[]
}

const byMisses = (rows: readonly PartChoice[]) =>
  [...rows].sort((a, b) => Number(b.fits) - Number(a.fits) || a.misses - b.misses || a.spec.price - b.spec.price)

/** One hand's lever and shifter with another part: where its clamp goes, and what is left. */
function leverOn({ now }: Setup, side: Side, spec: CockpitSpec, bend: number) {
  const value = (key: 'handFromEnd' | 'handBreadth' | 'gripLength' | 'thumbLength') => standsAt(now, key, side)?.value ?? null
  const [hand, breadth, grip, thumb] = [value('handFromEnd'), value('handBreadth'), value('gripLength'), value('thumbLength')]
  if (hand === null || breadth === null || grip === null || spec.leverHook === null) return null
  const width = spec.brakeClampWidth ?? 14
  const wanted = hand + INDEX_OFFSET * breadth + spec.leverHook
  // The clamp cannot stand on the grip, nor on the bend.
  const clampAt = Math.min(bend - width / 2, Math.max(grip + width / 2, wanted))
  const hookMisses = Math.abs(clampAt - wanted)
  const hasShifter = (spec.shifterPlace === 'inside' || spec.shifterPlace === 'outside') && (spec.shifterClampWidth ?? 0) > 0
  const option =
    hasShifter && thumb !== null && thumbOf({ now }, side).found !== null
      ? shifterOptions(
          thumbZone({ handFromEnd: hand, handBreadth: breadth, thumbLength: thumb }),
          {
            gripLength: grip,
            brakeAt: clampAt,
            brakeWidth: width,
            shifterWidth: spec.shifterClampWidth ?? 14,
            paddle: spec.shifterPaddle ?? 0,
          },
          bend,
        ).find(({ place }) => place === spec.shifterPlace)
      : undefined
  return { clampAt, hookMisses, option, clamp: clampAt - grip }
}

/**
 * Levers and shifters of the catalogue, the ones that come nearest under finger and thumb first; each
 * with its clamp slid to where the finger wants it.
 * @source geometry
 */
export function leverChoices(setup: Setup, catalogue: readonly CockpitSpec[]): PartChoice[] {
  const bar = halfBar(setup).found
  if (bar === null) return []
  const bend = straightPart(bar)
  const rows = catalogue.flatMap((spec): PartChoice[] => {
    if (spec.kind !== 'levers') return []
    const each = sides.map((side) => leverOn(setup, side, spec, bend))
    const [left, right] = each
    if (!left || !right) return []
    const worst = left.hookMisses >= right.hookMisses ? left : right
    const shifters = [left.option, right.option].filter((option) => option !== undefined)
    const fits = shifters.every((option) => option.fits)
    const thumb = Math.max(0, ...shifters.map((option) => option.misses))
    const exchange: RequestedExchange = { slot: 'levers', from: fullPart(setup, 'levers'), to: cockpitPart(spec) }
    const slides = sides.flatMap((side, i): RequestedMove[] => {
      const before = standsAt(setup.now, 'leverClamp', side)?.value ?? null
      const by = before === null ? 0 : Math.round((each[i]?.clamp ?? before) - before)
      return by === 0 ? [] : [{ setting: 'leverClamp', side, by }]
    })
    const hook = worst.hookMisses < 1 ? 'hook under the finger' : msg`hook misses the finger by ${mm(worst.hookMisses)}`
    const reach =
      shifters.length === 0
        ? ''
        : !fits
          ? ', no room for the shifter there'
          : thumb < 1
            ? ', shifter in the thumb’s reach'
            : msg`, shifter ${mm(thumb)} out of reach`
    return [
      {
        spec,
        misses: worst.hookMisses + thumb,
        fits,
        words: msg`Clamp ${mm(worst.clamp)} from the grip: ${hook}${reach}.`,
        requested: [exchange, ...slides],
      },
    ]
  })
  return byMisses(rows)
}

/**
 * Extensions of the catalogue, with torso, neck and the way to the grips they would give; the ones
 * nearest to what is on the bike first, so that a change is small.
 * @source geometry
 */
export function extensionChoices(setup: Setup, catalogue: readonly CockpitSpec[]): PartChoice[] {
  const { rider, folded } = setup
  const axles = axlesOf(rider.values)
  const now = riderWith(rider, folded.by, 'extension')
  if (!now?.grips) return []
  const before = now.grips.right.at
  const rows = catalogue.flatMap((spec): PartChoice[] => {
    if (spec.kind !== 'extensions') return []
    const exchange: RequestedExchange = { slot: 'extensions', from: fullPart(setup, 'extensions'), to: cockpitPart(spec) }
    const model = riderWith(rider, withMoves(folded.by, movesOf(exchange)), 'extension')
    if (!model?.grips) return []
    const { torso, kneeElbowLeft, kneeElbowRight } = riderMetrics(model, axles)
    const at = model.grips.right.at
    const [dx, dy] = [at.x - before.x, at.y - before.y]
    const way = msg`hands ${mm(Math.abs(dx))} ${dx < 0 ? 'back' : 'forward'}, ${mm(Math.abs(dy))} ${dy < 0 ? 'down' : 'up'}`
    const neck = neckFor(torso)
    const gap = Math.min(kneeElbowLeft ?? Infinity, kneeElbowRight ?? Infinity)
    const rest =
      torso === null || neck === null
        ? ', out of reach'
        : msg`; torso ${trimmed(torso, 0)}°, neck ${trimmed(neck, 0)}°${Number.isFinite(gap) ? msg`, gap ${mm(gap)}` : ''}`
    return [{ spec, misses: Math.hypot(dx, dy), fits: torso !== null, words: msg`${capitalised(way)}${rest}.`, requested: [exchange] }]
  })
  return byMisses(rows)
}
