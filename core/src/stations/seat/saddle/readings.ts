import { upperPosture } from '../../../body/upperBody.ts'
import { hipOf } from '../../../body/rider.ts'
import type { RiderModel } from '../../../body/rider.ts'
import { conditionOf, handPositionsOf, usualHands } from '../../../readings/conditions.ts'
import type { HandPosition } from '../../../readings/conditions.ts'
import { metricEstimate, metricReadIn } from '../../../rider/metricEstimate.ts'
import { isPositionRidden, riderWith } from '../../../rider/calibrated.ts'
import type { Setup } from '../../../rider/setup.ts'
import type { SitPosture } from './width.ts'
import { shapeFrom } from '../../../bike/saddleShape.ts'
import type { SaddleShape } from '../../../bike/saddleShape.ts'
import { measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { SaddleInUse } from './ranking.ts'
import type { Part, RequestedExchange } from '../../../ledger/parts.ts'
import { partNow } from '../../../ledger/parts.ts'
import type { SaddleSpec } from './kinds.ts'

/** ± of a torso that no reading of that position pins down, degrees; k = 2. @source prior */
const MODEL_TORSO = 6
const handWords: Readonly<Record<HandPosition, string>> = {
  grip: 'hands on the grips',
  hoods: 'hands on the hoods',
  tops: 'hands on the tops',
  drops: 'hands in the drops',
  aero: 'forearms on the hoods',
  extension: 'on the extensions',
}
function torsoOf(model: RiderModel): number | null {
  if (model.grips === null) return null
  const { torso, reaches } = upperPosture(model.upper, hipOf(model), model.grips)
  return reaches ? torso : null
}

/** Torso in every hand position this bike has, the usual one first: as read, else from the calibrated model. */
export function posturesOf(setup: Setup): SitPosture[] {
  const { rider, folded, model } = setup
  const usual = usualHands(rider.bar)
  return handPositionsOf(rider.bar).flatMap((hands): SitPosture[] => {
    if (!isPositionRidden(rider, hands)) return []
    const at = hands === usual ? model : riderWith(rider, folded.by, hands)
    const modelled = at && torsoOf(at)
    const there = conditionOf(rider.bar, hands, 'calm')
    const read = hands === usual ? metricEstimate(setup, 'torso', modelled) : at && metricReadIn(setup, there, at, 'torso')
    const torso = read?.value ?? modelled
    if (torso === null) return []
    return [
      {
        hands: hands === 'hoods' && rider.ridden === 'base' ? 'hands on the base bar' : handWords[hands],
        usual: hands === usual,
        torso,
        plusMinus: read?.plusMinus ?? MODEL_TORSO,
      },
    ]
  })
}

/** The saddle as it stands; what is not read is as usual. */
export function saddleShapeNow(now: ResolvedReadings): SaddleShape {
  return shapeFrom({
    length: measuredValue(now, 'saddleLength'),
    width: measuredValue(now, 'saddleWidth'),
    zoneWidth: measuredValue(now, 'saddleZoneWidth'),
    noseWidth: measuredValue(now, 'saddleNoseWidth'),
    sitFromNose: now.sitFromNose.left?.value ?? null,
    noseDrop: measuredValue(now, 'saddleNoseDrop'),
    tailRise: measuredValue(now, 'saddleTailRise'),
  })
}
export function saddleInUse(now: ResolvedReadings): SaddleInUse {
  return {
    sitFromNose: measuredValue(now, 'sitFromNose'),
    railHeight: measuredValue(now, 'saddleRailHeight'),
    nose: measuredValue(now, 'saddleSetback'),
  }
}

/** A saddle of the catalogue as a part. */
function saddlePart(spec: SaddleSpec): Part {
  const { name, kind, width, zoneWidth, noseWidth, length, sitFromNose, noseDrop, tailRise, relief, railHeight } = spec
  return {
    name,
    properties: {
      saddleKind: kind,
      saddleWidth: width,
      saddleZoneWidth: zoneWidth,
      saddleNoseWidth: noseWidth,
      saddleLength: length,
      sitFromNose,
      saddleNoseDrop: noseDrop,
      saddleTailRise: tailRise,
      saddleRelief: relief,
      saddleRailHeight: railHeight,
    },
  }
}

/** Another saddle for the one on the bike. */
export function saddleExchange(spec: SaddleSpec, now: ResolvedReadings): RequestedExchange {
  return { slot: 'saddle', from: partNow(now, 'saddle'), to: saddlePart(spec) }
}
