import { RADIANS } from '@level-stance/core/bike/contactPoints'
import type { Point3 } from '@level-stance/core/bike/contactPoints'
import type { Scene } from '@level-stance/core/model/scene'
import type { RequestedMove } from '@level-stance/core/ledger/moves'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import type { Side } from '@level-stance/core/kernel/sided'
import type { ViewKey } from '@level-stance/core/figure/views'

type Slot = Pick<RequestedMove, 'setting' | 'side'>

/** Something on the board that a hand can take. */
export interface Handle {
  readonly id: string
  readonly label: string
  readonly at: Point3
  /** settings moved by a step to the right and a step up in the picture, with the sign of a step */
  readonly right: (Slot & { readonly sign: 1 | -1 }) | null
  readonly up: (Slot & { readonly sign: 1 | -1 }) | null
  /** what a drag in the picture requested: mm to the right and up from where the hand took hold */
  readonly request: (right: number, up: number) => readonly RequestedMove[]
}

const slot = (setting: SettingKey, sign: 1 | -1, side: Side | 'both' = 'both') => ({ setting, side, sign })

/** Handles of a view, on a scene. @param seatAngle degrees, for raising the saddle along its line */
export function handlesOf(scene: Scene, view: ViewKey, seatAngle: number): Handle[] {
  const handles: Handle[] = []
  const plain = (id: string, label: string, at: Point3, right: Handle['right'], up: Handle['up'], scale = 1): void => {
    const request = (dx: number, dy: number): RequestedMove[] => [
      ...(right ? [{ setting: right.setting, side: right.side, by: right.sign * scale * dx }] : []),
      ...(up ? [{ setting: up.setting, side: up.side, by: up.sign * dy }] : []),
    ]
    handles.push({ id, label, at, right, up, request })
  }
  const hand = scene.arms?.right.hand
  if (view === 'side') {
    const psi = seatAngle * RADIANS
    handles.push({
      id: 'saddle',
      label: 'Saddle',
      at: scene.sit,
      right: slot('saddleSetback', -1),
      up: slot('saddleHeight', 1),
      // Up along the seat line carries the saddle back as well; the rails take that out again.
      request: (dx, dy) => {
        const height = dy / Math.sin(psi)
        return [
          { setting: 'saddleHeight', side: 'both', by: height },
          { setting: 'saddleSetback', side: 'both', by: -dx - height * Math.cos(psi) },
        ]
      },
    })
    const { nose } = scene.saddle
    const lever = Math.max(60, Math.hypot(nose.x - scene.sit.x, nose.y - scene.sit.y))
    handles.push({
      id: 'tilt',
      label: 'Saddle nose',
      at: nose,
      right: null,
      up: slot('saddleTilt', 1),
      request: (_, dy) => [{ setting: 'saddleTilt', side: 'both', by: dy / lever / RADIANS }],
    })
    if (hand) plain('hands', 'Hands', hand, slot('handReach', 1), slot('handHeight', 1))
    plain('cleat-right', 'Cleat, right', scene.legs.right.axle, slot('cleatSetback', -1, 'right'), null)
  } else if (view === 'front') {
    plain('saddle', 'Saddle', scene.sit, null, slot('saddleHeight', 1))
    // The right hand stands on the left of the picture; the hands go apart by twice as much.
    if (hand) plain('hands', 'Hands', hand, slot('gripSpacing', -1), slot('handHeight', 1), 2)
    plain('cleat-right', 'Right foot', scene.legs.right.ball, slot('cleatInboard', -1, 'right'), null)
    plain('cleat-left', 'Left foot', scene.legs.left.ball, slot('cleatInboard', 1, 'left'), null)
  } else {
    plain('saddle', 'Saddle', scene.sit, slot('saddleSetback', -1), null)
    if (hand) {
      handles.push({
        id: 'hands',
        label: 'Hands',
        at: hand,
        right: slot('handReach', 1),
        up: slot('gripSpacing', -1),
        request: (dx, dy) => [
          { setting: 'handReach', side: 'both', by: dx },
          { setting: 'gripSpacing', side: 'both', by: -2 * dy },
        ],
      })
    }
    plain('cleat-right', 'Cleat, right', scene.legs.right.axle, slot('cleatSetback', -1, 'right'), slot('cleatInboard', -1, 'right'))
    plain('cleat-left', 'Cleat, left', scene.legs.left.axle, slot('cleatSetback', -1, 'left'), slot('cleatInboard', 1, 'left'))
  }
  return handles
}
