import { movesAsked } from '../ledger/moves.ts'
import fc from 'fast-check'
import { kneesNow } from '../rider/kneeAtBottom.ts'
import { knockOn, defaultHolds } from '../knockOn/knockOn.ts'
import { leastOf, soldMove } from '../ledger/settings.ts'
import { capOf } from '../ledger/pace.ts'
import { setupOf, standingOf } from '../rider/setup.ts'
import { noseFindings, noseProposals } from '../stations/seat/saddle/judge.ts'
import { saddlePage } from '../stations/seat/saddle/page.ts'
import { aReading, readingsWith, complaintAt, controlComplaint, entryOf, onlyReadings } from '../testing.ts'
import { leverTurn } from '../stations/hands/levers/judge.ts'
import { dropBar, flatBar } from '../stations/hands/testing.ts'
import { sides } from '../kernel/sided.ts'
import { bodyRegion, bodyRegionKeys } from '../talk/regions.ts'
import { controlSymptomKeys } from '../talk/controlSymptoms.ts'
import { factsAt } from './context.ts'
import type { Facts } from './context.ts'
import { setupAfter, takenOut } from './firstMove.ts'
import { reason } from './reason.ts'
import { aVisit } from './testing.ts'
import type { VisitState } from './visitModel.ts'
import { visitModel } from './visitModel.ts'

const inputOf = (over: Partial<VisitState>) => visitModel(aVisit(over)).input
const think = (over: Partial<VisitState>) => reason(inputOf(over)).reasoned
const back = complaintAt(1, 'low-back', 'middle', { severity: 4 })
const injured = { injuries: [{ place: 'back' as const, when: 'recent' as const }] }

describe('where nothing was read', () => {
  it.each([
    ['a new set-up', { pace: 'new' }],
    ['a recent injury', { riding: injured }],
    ['a settled rider', { pace: 'settled' }],
  ] as const)('%s: no move, whatever hurts; the reading that would decide instead', (_, over) => {
    const body = bodyRegionKeys.map((region, i) => complaintAt(i + 1, region, bodyRegion(region).sided ? 'right' : 'middle'))
    const control = controlSymptomKeys.map((symptom, i) => controlComplaint(i + 1, symptom))
    for (const complaint of [back, ...body, ...control]) {
      for (const kind of ['drop bar', 'trail'] as const) {
        const { moves, next, causes } = think({ ...over, kind, complaints: [complaint] })
        for (const move of moves) {
          // Only where no reading could tell.
          expect(causes.find(({ cause }) => cause === move.cause)?.open).toEqual([])
          expect([move.isGuess, move.effects]).toEqual([true, []])
          for (const { setting, by } of movesAsked(move.requested)) expect(Math.abs(by)).toBeLessThanOrEqual(leastOf(setting))
        }
        if (causes.length > 0) expect(next.length).toBeGreaterThan(0)
      }
    }
  })

  it('no hand moves further at once than a settled rider would be moved, at whatever pace', () => {
    const standing = standingOf(inputOf({ complaints: [back] }).setup)
    const requested = [{ setting: 'saddleHeight', side: 'both', by: -100 }] as const
    expect(knockOn(standing, requested, defaultHolds(requested), 'step', 'new').chosen[0]?.by).toBe(-capOf('saddleHeight', 'settled'))
    const read = standingOf(inputOf({ readings: onlyReadings({ saddleHeight: 760 }) }).setup)
    expect(knockOn(read, requested, defaultHolds(requested), 'step', 'new').chosen[0]?.by).toBe(-100)
  })

  it('after an injury steps are half of a settled rider’s', () => {
    const { pace } = inputOf({ riding: injured, complaints: [back] })
    expect(pace).toBe('careful')
    for (const [setting, by] of [
      ['saddleHeight', 2.5],
      ['saddleTilt', 0.5],
      ['handReach', 5],
      ['cleatTurn', 1],
    ] as const)
      expect(capOf(setting, pace)).toBe(by)
  })
})

/** Numbers that were read, each with how far it lies outside of its band as its own page has it; 0 is in it. */
function outside(facts: Facts): Map<string, number> {
  const found = new Map<string, number>()
  const put = (name: string, value: number, { low, high }: { low: number; high: number }) =>
    found.set(name, Math.max(0, low - value, value - high))
  const knees = kneesNow(facts.setup, facts.metrics, facts.input.plusMinus)
  for (const side of sides) {
    const knee = knees[side]
    if (knee?.isRead) put(`knee ${side}`, knee.value, knee.band)
    const { angle, target } = facts.hands.levers.sides[side]
    if (angle) put(`lever ${side}`, angle.value, target)
  }
  const { tilt } = facts.seat
  if (tilt.now) put('tilt', tilt.now.value, tilt.target.band)
  return found
}

describe('a first move, of any rider', () => {
  const told = fc.oneof(
    fc
      .tuple(fc.constantFrom(...bodyRegionKeys), fc.constantFrom('left' as const, 'right' as const, 'both' as const))
      .map(([region, side]) => complaintAt(1, region, bodyRegion(region).sided ? side : 'middle')),
    fc.constantFrom(...controlSymptomKeys).map((symptom) => controlComplaint(1, symptom)),
  )
  const values = fc.record(
    {
      saddleTilt: fc.integer({ min: -8, max: 4 }),
      kneeFlexion: fc.tuple(fc.integer({ min: 15, max: 45 }), fc.integer({ min: 15, max: 45 })),
      elbowFlexion: fc.tuple(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 2, max: 60 })),
      torsoAngle: fc.integer({ min: 25, max: 70 }),
      creepForward: fc.integer({ min: 0, max: 40 }),
      cleatSetback: fc.tuple(fc.integer({ min: -4, max: 30 }), fc.integer({ min: -4, max: 30 })),
      leverAngle: fc.tuple(fc.integer({ min: 5, max: 70 }), fc.integer({ min: 5, max: 70 })),
      forearmReady: fc.tuple(fc.integer({ min: 15, max: 50 }), fc.integer({ min: 15, max: 50 })),
      leverReach: fc.tuple(fc.integer({ min: 45, max: 100 }), fc.integer({ min: 45, max: 100 })),
      indexFinger: fc.tuple(fc.integer({ min: 58, max: 80 }), fc.integer({ min: 58, max: 80 })),
      barRoll: fc.integer({ min: -10, max: 12 }),
    },
    { requiredKeys: [] },
  )
  it('comes from something read, and takes no measured number out of its band', () => {
    fc.assert(
      fc.property(
        told,
        values,
        fc.constantFrom('new', 'settled', 'careful'),
        fc.constantFrom('drop bar', 'trail'),
        fc.boolean(),
        (complaint, read, pace, kind, isWhole) => {
          const over = read as Parameters<typeof readingsWith>[0]
          const readings = isWhole ? readingsWith({ ...(kind === 'trail' ? flatBar : {}), ...over }) : onlyReadings(over)
          const input = inputOf({ complaints: [complaint], readings, pace, kind })
          const before = factsAt(input)
          const was = outside(before)
          const { moves: offered, causes } = reason(input).reasoned
          for (const { cause, requested, isGuess } of offered) {
            const row = causes.find((one) => one.cause === cause)
            if (!isGuess) expect(row?.said.some(({ moves }) => moves > 0)).toBe(true)
            if (requested.length === 0) continue
            const change = knockOn(standingOf(input.setup), requested, defaultHolds(requested), 'step', pace)
            const after = factsAt(input, setupAfter(input.setup, change))
            expect(takenOut(before, after)).toEqual([])
            for (const [name, off] of outside(after))
              if (was.get(name) === 0) expect([cause, name, off]).toEqual([cause, name, expect.closeTo(0, 0)])
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('levers: one number for page, cause and move', () => {
  const thumbs = complaintAt(1, 'thumb', 'both', { situation: 'descending' })
  const rider = { ...flatBar, torsoAngle: 48, elbowFlexion: [22, 22], gripDiameter: [33, 33] } as const
  const at = (leverAngle: number, forearmReady: number, more: Partial<VisitState> = {}) => {
    const readings = readingsWith({ ...rider, leverAngle: [leverAngle, leverAngle], forearmReady: [forearmReady, forearmReady] })
    const input = inputOf({ readings, complaints: [thumbs], kind: 'trail', ...more })
    const page = factsAt(input).hands.levers
    return { page, said: page.findings.map(({ key }) => key), reasoned: reason(input).reasoned }
  }

  it('50° against a forearm of 38° is too low everywhere: levers 12° up, never down', () => {
    const { page, said, reasoned } = at(50, 38)
    expect(said).toContain('lever-low')
    expect(leverTurn(page.sides.left)).toBe(-12)
    const low = reasoned.causes.find(({ cause }) => cause === 'wrist-forward')!
    expect(low.said[0]).toMatchObject({ of: 'leverAngle', speaks: 'for' })
    expect(reasoned.causes.find(({ cause }) => cause === 'wrist-back')?.said.every(({ moves }) => moves <= 0) ?? true).toBe(true)
    const moves = reasoned.moves.flatMap(({ requested }) => movesAsked(requested)).filter(({ setting }) => setting === 'leverAngle')
    expect(moves.map(({ by }) => by)).toEqual([-12, -12])
  })

  it('turned to what was asked, they are not turned further', () => {
    const { reasoned } = at(40, 35)
    expect(reasoned.moves.flatMap(({ requested }) => movesAsked(requested)).filter(({ setting }) => setting === 'leverAngle')).toEqual([])
  })

  it('steep ground told: the flatter school judges, and 20° is not too flat there', () => {
    expect(at(45, 20).said).toContain('lever-low')
    const steep = { riding: { terrain: ['steep' as const] } }
    for (const forearm of [30, 35, 45]) expect(at(20, forearm, steep).said).not.toContain('lever-flat')
    expect(at(20, 35, steep).page.school).toBe('flatter')
    expect(at(20, 35, { ...steep, choices: { feet: {}, seat: {}, hands: { leverSchool: 'forearm-line' } } }).page.school).toBe(
      'forearm-line',
    )
  })

  it('the page and the cause stand on the same side of the band, for any angle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 10, max: 60 }), fc.boolean(), (lever, forearm, isSteep) => {
        const { said, reasoned } = at(lever, forearm, isSteep ? { riding: { terrain: ['steep'] } } : {})
        const speaks = (cause: string) => reasoned.causes.find((row) => row.cause === cause)?.said.some(({ past }) => (past ?? 0) > 0)
        expect([speaks('wrist-back'), speaks('wrist-forward')]).toEqual([said.includes('lever-flat'), said.includes('lever-low')])
      }),
      { numRuns: 25 },
    )
  })

  it('the bar’s roll turns them once', () => {
    const readings = [...readingsWith({ ...rider, leverAngle: [31, 31], forearmReady: [36, 36] })]
    const entry = { ...entryOf(9, { setting: 'barRoll', side: 'both', by: 5, role: 'chosen' }), station: 'hands' as const }
    const facts = factsAt(inputOf({ readings, ledger: [entry], complaints: [thumbs], kind: 'trail' }))
    expect(facts.hands.levers.sides.left.angle?.value).toBeCloseTo(36, 6)
    expect(facts.setup.now.leverAngle.left?.value).toBeCloseTo(36, 6)
  })
})

describe('a bar that is rolled while nothing is known of the rider', () => {
  it('leaves the levers as they were read: they are turned back by as much', () => {
    const input = inputOf({
      complaints: [controlComplaint(1, 'pitched-forward')],
      readings: onlyReadings({ leverAngle: [30, 5], barRoll: 6 }),
      pace: 'new',
      kind: 'trail',
    })
    const move = reason(input).reasoned.moves.find(({ cause }) => cause === 'rolled-forward')!
    const { moves } = knockOn(standingOf(input.setup), move.requested, defaultHolds(move.requested), 'step', 'new')
    const by = (setting: string) => moves.filter((one) => one.setting === setting).map((one) => one.by)
    expect(by('leverAngle')).toEqual(by('barRoll').flatMap((roll) => [-roll, -roll]))
  })
})

describe('what comes before what', () => {
  const orderOf = (over: Partial<VisitState>) => think(over).moves.map(({ cause }) => cause)

  it('a narrower bar before a shorter reach, where elbows are locked and the bar is wide', () => {
    const readings = readingsWith({ acromionWidth: 360, hoodWidth: 440, elbowFlexion: [2, 2], shoulderAngle: [96, 96], creepForward: 30 })
    const neck = complaintAt(1, 'neck', 'middle', { severity: 6 })
    const order = orderOf({ readings, complaints: [neck, controlComplaint(2, 'slides-forward')] })
    if (order.includes('bar-wide')) expect(order.indexOf('bar-wide')).toBeLessThan(order.indexOf('reach-long'))
    const shoulders = orderOf({
      readings,
      complaints: [complaintAt(1, 'neck', 'middle', { severity: 6 }), complaintAt(2, 'hand-little', 'left')],
    })
    expect([...order, ...shoulders]).toContain('reach-long')
  })

  it('the pelvis in the place of a cleat that waits for it, though no complaint names it', () => {
    const readings = [...onlyReadings({ cleatFloat: [0, 0] }), aReading('pelvisLevel', 'both', 'twisted')]
    const knee = complaintAt(1, 'knee-inner', 'right', { severity: 6 })
    const { causes, moves } = think({ readings, complaints: [knee] })
    expect(causes.filter(({ muted }) => muted !== null).map(({ cause }) => cause)).toContain('float-small')
    expect(causes.map(({ cause }) => cause)).not.toContain('sits-rotated')
    expect(moves[0]?.cause).toBe('sits-rotated')
    expect(moves.map(({ cause }) => cause)).not.toContain('float-small')
  })
})

describe('a number read by eye', () => {
  const neck = complaintAt(1, 'neck', 'middle', { severity: 6 })
  const elbow = (value: number, method: 'eye' | 'goniometer') => sides.map((side) => ({ ...aReading('elbowFlexion', side, value), method }))
  const others = readingsWith({ shoulderAngle: [70, 70] }).filter(
    ({ key }) => !['elbowFlexion', 'shoulderAngle', 'creepForward'].includes(key),
  )

  it('and too close to call is read better before anything is moved by it', () => {
    const byEye = think({ readings: [...others, ...elbow(8, 'eye')], complaints: [neck] })
    const row = byEye.causes.find(({ cause }) => cause === 'reach-long')!
    expect(row.open).toContainEqual(expect.objectContaining({ of: 'elbow', again: 'by-eye' }))
    expect(byEye.moves.map(({ cause }) => cause)).not.toContain('reach-long')
    // What is clear by eye, or read by the usual method, is acted on.
    const clear = think({ readings: [...others, ...elbow(0, 'eye')], complaints: [neck] })
    expect(clear.causes.find(({ cause }) => cause === 'reach-long')!.open).not.toContainEqual(expect.objectContaining({ of: 'elbow' }))
    const measured = think({ readings: [...others, ...elbow(3, 'goniometer')], complaints: [neck] })
    expect(measured.moves.map(({ cause }) => cause)).toContain('reach-long')
  })
})

describe('a lever that is too far out', () => {
  const pump = complaintAt(1, 'forearm', 'both', { severity: 6 })
  const far = { leverReach: [84, 84] as const, fingerHooks: [66, 66] as const }
  const dialled = (over: object) => {
    const { moves } = think({ kind: 'trail', complaints: [pump], readings: readingsWith({ ...flatBar, ...far, ...over } as never) })
    return moves.filter(({ cause }) => cause === 'lever-far').flatMap(({ requested }) => movesAsked(requested))
  }

  it('is dialled in as its page has it: no further than its screw goes, and never to where it bites at the bar', () => {
    expect(dialled({}).map(({ by }) => by)).toEqual([-18, -18])
    expect(dialled({ leverRoomIn: [6, 0] })).toEqual([{ setting: 'leverReach', side: 'left', by: -6 }])
    expect(dialled({ leverBite: [30, 30] }).map(({ by }) => by)).toEqual([-5, -5])
  })
})

describe('a saddle whose front can be set', () => {
  const rubs = controlComplaint(1, 'slides-forward', { severity: 6, situation: 'hard-effort' })
  const noses = (over: object) => {
    const { moves } = think({ complaints: [rubs], readings: readingsWith({ saddleNoseWidth: 62, saddleTilt: 0, ...over }) })
    const { requested, part } = moves.find(({ cause }) => cause === 'rubs-under-load')!
    return [movesAsked(requested), part]
  }

  it('is set narrower, no further than it goes, and nothing is bought for it', () => {
    // Within 50 mm with the tape’s ±3.
    expect(noses({ saddleNoseLeast: 38 })).toEqual([[{ setting: 'saddleNoseWidth', side: 'both', by: -15 }], null])
    expect(noses({ saddleNoseLeast: 56 })).toEqual([[{ setting: 'saddleNoseWidth', side: 'both', by: -6 }], null])
    // One that cannot be set, or stands at its narrowest, is another saddle.
    expect(noses({})).toEqual([[], 'a saddle'])
    expect(noses({ saddleNoseLeast: 62 })).toEqual([[], 'a saddle'])
    // 52 ±3 is too close to call: nothing is set by it.
    expect(noseProposals(setupOf(readingsWith({ saddleNoseWidth: 52, saddleNoseLeast: 38 }), [], 'drop'), [])).toEqual([])
  })

  it('once it is, neither page nor cause asks for it again', () => {
    const narrower = entryOf(1, { setting: 'saddleNoseWidth', side: 'both', by: -15, role: 'chosen' })
    const setup = setupOf(readingsWith({ saddleNoseWidth: 62, saddleNoseLeast: 38 }), [narrower], 'drop')
    const nose = saddlePage.numbers.noseWidth.at({ context: { setup } } as never)
    expect([nose?.value, noseFindings(nose), noseProposals(setup, [])]).toEqual([47, [], []])
  })
})

describe('a bar whose roll nobody read', () => {
  const { barRoll: _, ...unread } = dropBar
  const bent = (over: object) =>
    think({
      kind: 'drop bar',
      complaints: [complaintAt(1, 'hand-little', 'both', { kind: 'numb', severity: 6 })],
      readings: readingsWith({
        ...unread,
        wristAngle: [30, 30],
        saddleTilt: -1,
        elbowFlexion: [25, 25],
        sitsWhere: 'middle',
        ...over,
      } as never),
    }).moves.flatMap(({ cause, requested }) => (cause === 'hoods-low' ? movesAsked(requested) : []))

  it('is rolled by no more than half of its band; one that was read by what it has left', () => {
    expect(bent({})).toEqual([{ setting: 'barRoll', side: 'both', by: -2 }])
    expect(bent({ barRoll: 4 })[0]!.by).toBeLessThan(-4)
    expect(bent({ barRoll: -4 })).toEqual([])
  })
})

describe('a part that is bought', () => {
  it('comes in the sizes it is sold in, at least one size on', () => {
    expect(soldMove('crank', 172.5, -1)).toBe(-2.5)
    expect(soldMove('crank', 172.5, -6)).toBe(-5)
    expect(soldMove('stemLength', 97, -12)).toBe(-7)
    expect(soldMove('stemLength', 100, -34)).toBe(-30)
    expect(soldMove('stemLength', 100, 3)).toBe(10)
    // Nothing longer is sold; where the size is not known, or it is no part, as asked.
    expect(soldMove('crank', 180, 2.5)).toBe(0)
    expect(soldMove('stemLength', null, -12)).toBe(-12)
    expect(soldMove('saddleHeight', 720, -7.5)).toBe(-7.5)
  })
})
