import type { BarKind } from '../../bike/bikeKinds.ts'
import type { MetricKey } from '../../body/metrics.ts'
import { metricDefinition } from '../../body/metrics.ts'
import type { ReadingKey } from '../../readings/readingDefinitions.ts'
import { quantity } from '../../kernel/quantity.ts'
import type { Side } from '../../kernel/sided.ts'
import { bothSides, defineStation, lazily, oneOf } from '../../station/station.ts'
import type { Summary } from '../../station/station.ts'
import { handsChoicesSchema } from './choices.ts'
import { searchLacks } from './cockpit/inputs.ts'
import type { HandsContext } from './context.ts'
import type { PositionRow } from './place/positions.ts'
import { leverFar, hookOf } from './levers/readings.ts'
import { extensionStanding, judgeExtensions } from './extensions/judge.ts'
import type { ExtensionStanding } from './extensions/judge.ts'
import { controlStanding, judgeControls } from './controls/judge.ts'
import type { ControlStanding } from './controls/judge.ts'
import { gripStanding, judgeGrips } from './grips/judge.ts'
import type { GripStanding } from './grips/judge.ts'
import { hoodStanding, judgeHoods } from './hoods/judge.ts'
import type { HoodStanding } from './hoods/judge.ts'
import { judgeLevers, leverStanding } from './levers/judge.ts'
import type { LeverStanding } from './levers/judge.ts'
import { judgePlace, placeStanding, positionsNow, sweepStanding } from './place/judge.ts'
import type { PlaceStanding, SweepStanding } from './place/judge.ts'
import { judgeRoll, rollStanding } from './roll/judge.ts'
import type { RollStanding } from './roll/judge.ts'
import { judgeWidth, widthStanding } from './width/judge.ts'
import type { WidthStanding } from './width/judge.ts'
import { keysOf } from '../../kernel/tables.ts'

/** Everything the hands' pages say; each part is worked out when it is first asked for. */
export interface HandsParts {
  readonly context: HandsContext
  readonly width: WidthStanding
  readonly positions: readonly PositionRow[]
  readonly place: PlaceStanding
  readonly sweep: SweepStanding
  readonly roll: RollStanding
  readonly hoods: HoodStanding
  readonly levers: LeverStanding
  readonly controls: ControlStanding
  readonly grips: GripStanding
  readonly extensions: ExtensionStanding
  readonly lacks: readonly ReadingKey[]
}

export function handsParts(context: HandsContext): HandsParts {
  return lazily<HandsParts>({
    context: () => context,
    width: () => widthStanding(context),
    positions: () => positionsNow(context),
    place: ({ positions }) => placeStanding(context, positions),
    sweep: () => sweepStanding(context),
    roll: () => rollStanding(context),
    hoods: () => hoodStanding(context),
    levers: () => leverStanding(context),
    controls: () => controlStanding(context),
    grips: () => gripStanding(context),
    extensions: ({ positions, place }) => extensionStanding(context, positions, place.steering),
    lacks: () => searchLacks(context.setup),
  })
}

/** Findings of the hands that are worth a change, from the parts that cost little. */
function acts({ width, place, roll, hoods, levers, controls, grips }: HandsParts): number {
  const all = [width.findings, place.findings, roll.findings, hoods.findings, levers.findings, controls.findings, grips.findings].flat()
  return all.filter(({ weight }) => weight === 'act' || weight === 'first').length
}

function summary(parts: HandsParts): Summary {
  const { setup } = parts.context
  const found = acts(parts)
  if (found > 0) return { words: `${found} to try`, mark: 'open' }
  return setup.model?.grips ? { words: 'in range', mark: 'level' } : { words: 'readings needed', mark: 'wanting' }
}

const metric = (key: MetricKey) =>
  function of({ context }: HandsParts) {
    const value = context.metrics?.[key] ?? null
    return value === null
      ? null
      : quantity(value, context.plusMinus(key) ?? 0, metricDefinition(key).unit === 'mm' ? 'mm' : 'deg', 'computed')
  }
const sidedNumber =
  (of: (setup: HandsContext['setup'], side: Side) => { readonly value: number; readonly plusMinus: number } | null, side: Side) =>
  ({ context }: HandsParts) => {
    const found = of(context.setup, side)
    return found && quantity(found.value, found.plusMinus, 'mm', 'computed')
  }
const hookOff = (setup: HandsContext['setup'], side: Side) => {
  const { found } = hookOf(setup, side)
  return found && { value: found.off, plusMinus: found.plusMinus }
}

/** What is read on each page. */
const reads = {
  width: ['acromionWidth', 'stature', 'upperArm', 'barWidth', 'hoodWidth', 'handFromEnd', 'gripSpacing', 'barBend', 'barShortest', 'eventBarWidest', 'narrowestGap', 'gripLength', 'brakeClampWidth', 'shifterClampWidth', 'remoteClampWidth'],
  place: ['handReach', 'handHeight', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'hipAngle', 'sitsWhere', 'creepForward', 'frontLowEdge', 'frontHighEdge', 'stemLength', 'stemAngle', 'spacers', 'spacersAbove'],
  roll: ['barBacksweep', 'barUpsweep', 'barRoll', 'handSweep', 'handRise', 'wristAngle'],
  hoods: ['hoodPosition', 'hoodAngle', 'barRoll', 'wristAngle', 'leverReach', 'indexFinger'],
  levers: ['handFromEnd', 'gripLength', 'leverClamp', 'leverHook', 'leverReach', 'fingerHooks', 'leverAngle', 'forearmReady', 'indexFinger', 'handBreadth', 'handLength', 'frontBrakeLever', 'brakeFingers', 'fingerOnLever'],
  controls: ['shifterPlace', 'shifterClamp', 'shifterClampWidth', 'shifterPaddle', 'remoteClamp', 'remoteClampWidth', 'remotePaddle', 'brakeClampWidth', 'thumbLength', 'thumbReach', 'handFromEnd', 'handBreadth', 'gripLength', 'leverClamp', 'barWidth', 'barBend'],
  grips: ['gripDiameter', 'gripLength', 'handLength', 'handBreadth'],
  extensions: ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle', 'torsoAngle', 'elbowFlexion', 'hipAngle', 'creepForward', 'acromionWidth'],
  cockpit: ['frameReach', 'frameStack', 'headAngle', 'headset', 'spacers', 'spacersAbove', 'stemLength', 'stemAngle', 'stemClampSize', 'barClampSize', 'barWidth', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barBend', 'handFromEnd', 'hoodWidth', 'dropWidth', 'barReach', 'barDrop', 'barFlare', 'barRoll'],
} as const satisfies Readonly<Record<string, readonly ReadingKey[]>> // prettier-ignore

/** The hands, in the order of the work: width before place, place before roll, roll before the levers. */
export const handsStation = defineStation({
  key: 'hands',
  label: 'Hands',
  choices: handsChoicesSchema,
  parts: handsParts,
  pages: {
    width: {
      label: 'Width',
      tells: 'How wide the bar should be, what to cut, and what stands in the way of cutting.',
      picture: 'front',
      readings: reads.width,
      fields: [...oneOf('barWidth'), ...oneOf('gripSpacing')],
      judge: judgeWidth,
    },
    place: {
      label: 'Reach, height',
      tells: 'Where the hands should be, how neck, hip and arms change on the way there, and the middle of what works.',
      picture: 'side',
      noTargets: true,
      readings: reads.place,
      fields: [...oneOf('handReach'), ...oneOf('handHeight')],
      choosesHold: true,
      judge: judgePlace,
    },
    roll: {
      label: 'Sweep, roll',
      tells: 'How the bar’s sweeps meet the hands, and at what roll they meet best.',
      picture: 'halves',
      bar: 'flat',
      readings: reads.roll,
      fields: oneOf('barRoll'),
      judge: judgeRoll,
    },
    hoods: {
      label: 'Hoods',
      tells: 'Whether hoods and levers stand so that wrist and finger stay straight.',
      picture: 'side',
      bar: 'drop',
      readings: reads.hoods,
      fields: [...bothSides('hoodPosition'), ...bothSides('hoodAngle'), ...oneOf('barRoll')],
      judge: judgeHoods,
    },
    levers: {
      label: 'Levers',
      tells: 'Where clamp, reach and angle of each lever suit this hand.',
      picture: 'halves',
      readings: reads.levers,
      fields: [...bothSides('leverClamp'), ...bothSides('leverReach'), ...bothSides('leverAngle')],
      judge: judgeLevers,
    },
    controls: {
      label: 'Controls',
      tells: 'Whether the thumbs reach shifter and remote without letting go of the bar.',
      picture: 'halves',
      bar: 'flat',
      readings: reads.controls,
      fields: [...bothSides('shifterClamp'), ...bothSides('remoteClamp')],
      judge: judgeControls,
    },
    grips: {
      label: 'Grips',
      tells: 'Which grip diameter these hands close on best.',
      picture: 'halves',
      readings: reads.grips,
      fields: bothSides('gripDiameter'),
      judge: judgeGrips,
    },
    extensions: {
      label: 'Extensions',
      tells: 'Where pads and extensions carry the arms, and what the position costs the neck.',
      picture: 'side',
      bar: 'drop',
      readings: reads.extensions,
      fields: [...oneOf('padForward'), ...oneOf('padUp'), ...oneOf('padSpacing'), ...oneOf('extensionLength'), ...oneOf('extensionAngle')],
      judge: judgeExtensions,
    },
    cockpit: {
      label: 'Cockpit',
      tells: 'Which stem, spacers and bar on the market put the hands where they are wanted, cheapest first.',
      picture: 'side',
      noTargets: true,
      readings: reads.cockpit,
      fields: [],
      judge: () => ({}),
    },
  },
  metrics: {
    elbowLeft: metric('elbowLeft'),
    elbowRight: metric('elbowRight'),
    wristLeft: metric('wristLeft'),
    wristRight: metric('wristRight'),
    hookLeft: sidedNumber(hookOff, 'left'),
    hookRight: sidedNumber(hookOff, 'right'),
    leverFarLeft: sidedNumber(leverFar, 'left'),
    leverFarRight: sidedNumber(leverFar, 'right'),
  },
  summary,
})
export type HandsPageKey = keyof typeof handsStation.pages

/** Pages that a bar has. */
export function handsPagesFor(bar: BarKind): HandsPageKey[] {
  const pages: Readonly<Record<HandsPageKey, { readonly bar?: BarKind }>> = handsStation.pages
  return keysOf(pages).filter((key) => pages[key].bar === undefined || pages[key].bar === bar)
}
