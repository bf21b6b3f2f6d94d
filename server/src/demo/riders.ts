import type { Move } from '@level-stance/core/change/ledger'
import type { Reading } from '@level-stance/core/measure/reading'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import type { Complaint } from '@level-stance/core/talk/complaint'

/** Made-up riders of a made-up fit room in an invented ferry town. All names and numbers are invented. */

const id = (rider: number, n: number) => `00000000-0000-4000-9000-${String(rider * 1000 + n).padStart(12, '0')}`

/** Compact readings: a number for one value, a pair for left and right. */
function readingsOf(takenAt: string, values: Partial<Record<ReadingKey, number | readonly [left: number, right: number]>>): Reading[] {
  return (Object.entries(values) as [ReadingKey, number | readonly [number, number]][]).flatMap(([key, value]) => {
    const one = (side: Reading['side'], v: number): Reading => ({
      key,
      side,
      value: v,
      typed: String(v),
      method: definitionOf(key).method,
      takenAt,
      condition: 'usual',
      repeats: [],
    })
    return typeof value === 'number' ? [one('both', value)] : [one('left', value[0]), one('right', value[1])]
  })
}

const told = (complaint: Complaint): Complaint => complaint
const cleat = (side: 'left' | 'right', by: number): Move => ({ setting: 'cleatSetback', side, by, role: 'chosen' })
const saddle = (by: number): Move => ({ setting: 'saddleHeight', side: 'both', by, role: 'knock-on' })

const conductorAt = '2026-10-06T14:10:00.000Z'
const conductor: VisitFile = {
  format: 'level-stance/visit',
  version: 1,
  rider: { name: 'Baptiste Okonjo', note: 'Choir conductor. Rides overnight distances twice a month, commutes daily.' },
  bike: { name: 'Randonneur', kind: 'drop bar' },
  visit: { title: 'First visit', cleatSchool: 'behind-ball', accepted: [], startedAt: conductorAt },
  readings: readingsOf(conductorAt, {
    stature: 1785,
    inseam: 842,
    thigh: [440, 438],
    shank: [437, 436],
    footLength: [268, 270],
    saddleHeight: 736,
    seatAngle: 73.2,
    crank: 172.5,
    footPitch: [18, 19],
    shoeSize: [44, 44],
    heelToMtp1: [198, 199],
    heelToMtp5: [172, 174],
    cleatSetback: [4, 6],
    slotForward: [6, 6],
    slotBack: [14, 12],
  }),
  complaints: [
    told({
      id: id(1, 1),
      region: 'groin',
      side: 'middle',
      kind: 'numb',
      startsAfter: 40,
      situation: 'flat-steady',
      severity: 6,
      note: 'Better standing for a minute.',
      warnings: { 'bladder-bowel': 'no', 'lasting-numbness': 'no', 'lost-strength': 'no', fall: 'no', sores: 'no' },
    }),
    told({
      id: id(1, 2),
      region: 'forefoot',
      side: 'both',
      kind: 'pain',
      startsAfter: 60,
      situation: 'climbing',
      severity: 7,
      note: 'Hot feet; takes the shoes off at stops.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', 'hot-swollen': 'no', fall: 'no', 'tight-leg': 'no' },
    }),
  ],
  ledger: [
    {
      kind: 'try',
      id: id(1, 10),
      at: '2026-10-06T14:40:00.000Z',
      station: 'feet',
      moves: [cleat('left', 5), cleat('right', 5), saddle(-2.5)],
      reason: 'Both axles lie far forward of behind the ball; hot feet speak for it.',
      later: 'Later, after rides that agree: left back 5, then 4; right back 5, then 2.',
    },
    { kind: 'keep', id: id(1, 11), at: '2026-10-06T15:05:00.000Z', of: id(1, 10) },
  ],
  ratings: [{ complaintId: id(1, 2), changeId: id(1, 10), severity: 5 }],
}

const courierAt = '2026-10-13T08:30:00.000Z'
const courier: VisitFile = {
  format: 'level-stance/visit',
  version: 1,
  rider: { name: 'Oona Tervik', note: 'Bakery courier, six hours a day, stops every few minutes.' },
  bike: { name: 'Cargo bike', kind: 'cargo' },
  visit: { title: 'First visit', cleatSchool: 'behind-ball', accepted: [], startedAt: courierAt },
  readings: readingsOf(courierAt, {
    stature: 1664,
    footLength: [247, 248],
    saddleHeight: 668,
    crank: 170,
    footPitch: [14, 15],
    shoeSize: [40, 40],
    heelToMtp1: [183, 184],
    heelToMtp5: [160, 160],
    cleatSetback: [8, 11],
    slotForward: [8, 11],
    slotBack: [16, 13],
  }),
  complaints: [
    told({
      id: id(2, 1),
      region: 'knee-outer',
      side: 'right',
      kind: 'pain',
      startsAfter: 90,
      situation: 'hard-effort',
      severity: 5,
      note: 'Since new shoes in spring.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', 'hot-swollen': 'no', fall: 'no' },
    }),
    told({
      id: id(2, 2),
      region: 'hand-thumb',
      side: 'left',
      kind: 'numb',
      startsAfter: 30,
      situation: 'anywhere',
      severity: 5,
      note: '',
      warnings: { 'lasting-numbness': 'no', 'lost-strength': 'no', fall: 'no' },
    }),
  ],
  ledger: [],
  ratings: [],
}

const builderAt = '2026-10-20T17:00:00.000Z'
const trailBuilder: VisitFile = {
  format: 'level-stance/visit',
  version: 1,
  rider: { name: 'Ruta Halvers', note: 'Volunteer trail builder. Rides the ridge after work.' },
  bike: { name: 'Hardtail', kind: 'mountain' },
  visit: { title: 'First visit', cleatSchool: 'behind-ball', accepted: [], startedAt: builderAt },
  readings: readingsOf(builderAt, { stature: 1712, crank: 170, saddleHeight: 702, shoeSize: [41, 41], footLength: [254, 253] }),
  complaints: [
    told({
      id: id(3, 1),
      region: 'forearm',
      side: 'both',
      kind: 'pain',
      startsAfter: 10,
      situation: 'descending',
      severity: 6,
      note: 'Pumped on the long descent.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', fall: 'no', 'tight-leg': 'no' },
    }),
    told({
      id: id(3, 2),
      region: 'hand-thumb',
      side: 'right',
      kind: 'control',
      startsAfter: null,
      situation: 'turns',
      severity: 5,
      note: 'Front washes out in flat turns; missed shifts.',
      warnings: {},
    }),
  ],
  ledger: [],
  ratings: [],
}

const returningAt = '2026-11-03T10:00:00.000Z'
const returning: VisitFile = {
  format: 'level-stance/visit',
  version: 1,
  rider: { name: 'Imre Castellane', note: 'Back on a bike after twelve years. One leg shorter since childhood.' },
  bike: { name: 'Town bike', kind: 'town' },
  visit: { title: 'First visit', cleatSchool: 'behind-ball', accepted: [], startedAt: returningAt },
  readings: readingsOf(returningAt, {
    stature: 1738,
    inseam: 818,
    thigh: [428, 421],
    shank: [430, 426],
    footLength: [262, 260],
    saddleHeight: 690,
    crank: 170,
    shoeSize: [43, 43],
    heelToMtp1: [194, 193],
    cleatSetback: [22, 10],
    slotForward: [14, 6],
    slotBack: [6, 14],
  }),
  complaints: [
    told({
      id: id(4, 1),
      region: 'sit-bone',
      side: 'right',
      kind: 'pain',
      startsAfter: 25,
      situation: 'flat-steady',
      severity: 6,
      note: '',
      warnings: { 'bladder-bowel': 'no', 'lost-strength': 'no', 'night-pain': 'no', fall: 'no', sores: 'no' },
    }),
    told({
      id: id(4, 2),
      region: 'forefoot',
      side: 'right',
      kind: 'slips',
      startsAfter: 10,
      situation: 'anywhere',
      severity: 4,
      note: 'That foot feels loose, as if it belonged to nobody.',
      warnings: { 'lost-strength': 'no' },
    }),
  ],
  ledger: [],
  ratings: [],
}

/** Oldest first, so that the list shows the newest on top. */
export const demoVisits: readonly VisitFile[] = [trailBuilder, returning, courier, conductor]
