import { barClamp, flatGrip, dropGrip } from '../../../bike/cockpit.ts'
import { evaluate } from '../../../kernel/calculation.ts'
import { seeded } from '../../../kernel/random.ts'
import { cockpitSearchCalculation, likeForLikeStemCalculation } from './calculations.ts'
import { cockpitSpecSchema, startingCockpit } from './parts.ts'
import { counts } from './question.ts'
import type { BarChoice, SearchInput, StemChoice } from './question.ts'
import { searchCockpit } from './search.ts'
import { alignmentGap } from '../roll/gripAlignment.ts'
import { steeringArm } from '../place/steering.ts'
import { barShapeOf } from './inputs.ts'

const front = { frameReach: 445, frameStack: 615, headAngle: 66, headset: 12, spacers: 15, halfClamp: 20, stemLength: 50, stemAngle: 6 }
const shape = { kind: 'flat', barWidth: 800, barRise: 20, barForward: 0, barBacksweep: 8, barUpsweep: 5, barBend: 80 } as const
const stemOn: StemChoice = { name: 'on', clampSize: null, stemLength: 50, stemAngle: 6, price: 0, isOn: true }
const barOn: BarChoice = { name: 'on', clampSize: null, price: 0, isOn: true, shape }
const catalogue = startingCockpit.map((spec) => ({ ...spec, shape: barShapeOf(spec) }))
const stems = [
  stemOn,
  ...catalogue.flatMap(({ kind, name, clampSize, stemLength, stemAngle, price }): StemChoice[] =>
    kind === 'stem' ? [{ name, clampSize, stemLength: stemLength ?? 0, stemAngle: stemAngle ?? 0, price, isOn: false }] : [],
  ),
]
const bars = [
  barOn,
  ...catalogue.flatMap(({ name, clampSize, price, shape: own }): BarChoice[] =>
    own?.kind === 'flat' ? [{ name, clampSize, price, isOn: false, shape: own }] : [],
  ),
]
const input: SearchInput = {
  bar: 'flat',
  front,
  steerer: 35,
  spacerStep: 5,
  stems,
  bars,
  stemWithin: null,
  roll: { now: 0, reach: 6, step: 2 },
  lever: { now: 45, reach: 0, step: 5, angle: 0 },
  handFromEnd: 60,
  needed: 200,
  wanted: { hold: 'place', at: { x: 470, y: 690 }, spacing: 640 },
  offset: { x: 0, y: 0 },
  hands: [{ back: 11, up: 7 }],
  count: 12,
}

/** Every combination, one after the other, by the geometry of single parts and the costs as they are published. */
function byHand({
  stems: all,
  bars: others,
  roll,
  wanted,
  handFromEnd,
  hands,
  steerer,
  spacerStep,
  front: at,
  offset,
}: SearchInput): number[] {
  const axis = { at: { x: at.frameReach, y: at.frameStack }, headAngle: at.headAngle }
  const place = (clamp: { x: number; y: number }, bar: BarChoice, turn: number) => {
    const grip =
      bar.shape.kind === 'flat'
        ? flatGrip({ ...bar.shape, barRoll: turn, handFromEnd })
        : dropGrip({ ...bar.shape, barRoll: turn, hoodPosition: 45, hoodAngle: 0 }, 'hoods')
    return { x: clamp.x + grip.at.x + offset.x, y: clamp.y + grip.at.y + offset.y, z: grip.at.z }
  }
  const arm = steeringArm(axis, place(barClamp(at), others.find(({ isOn }) => isOn) ?? others[0]!, roll.now))
  const best: number[] = []
  for (const stem of all)
    for (const turned of stem.stemAngle === 0 ? [1] : [1, -1])
      for (const bar of others) {
        if (stem.clampSize && bar.clampSize && stem.clampSize !== bar.clampSize) continue
        let least = Infinity
        const heights = [at.spacers]
        for (let h = 0; h <= Math.max(steerer, at.spacers) + 1e-9; h += spacerStep) heights.push(h)
        for (const spacers of heights)
          for (let turn = roll.now - roll.reach; turn <= roll.now + roll.reach + 1e-9; turn += roll.step) {
            const hand = place(barClamp({ ...at, spacers, stemLength: stem.stemLength, stemAngle: turned * stem.stemAngle }), bar, turn)
            if (wanted.hold !== 'place') continue
            const misses = Math.hypot(hand.x - wanted.at.x, hand.y - wanted.at.y)
            const parts =
              (stem.isOn ? (turned < 0 ? counts.flip : 0) : counts.newStem + counts.price * stem.price) +
              (bar.isOn ? 0 : counts.newBar + counts.price * bar.price)
            const work = (spacers === at.spacers ? 0 : counts.spacers) + (Math.abs(turn - roll.now) < 1e-9 ? 0 : counts.roll)
            const width = wanted.spacing === null ? 0 : counts.width * Math.abs(2 * hand.z - wanted.spacing)
            const own = bar.shape
            const off =
              hands.length > 0 && own.kind === 'flat'
                ? Math.max(...hands.map((one) => alignmentGap(one, { ...own, barRoll: turn }).apart))
                : 0
            least = Math.min(
              least,
              misses + parts + work + width + counts.apart * off + counts.steering * Math.abs(steeringArm(axis, hand) / arm - 1),
            )
          }
        best.push(least)
      }
  return best.sort((a, b) => a - b)
}

describe('the cockpit search', () => {
  it('gives the very best of every stem with every bar, as going through all of them one by one does', () => {
    const small = { ...input, stems: stems.slice(0, 9), bars: bars.slice(0, 7) }
    const expected = byHand(small)
    const { lines } = searchCockpit(small)
    expect(lines).toHaveLength(12)
    lines.forEach((line, i) => expect(line.score).toBeCloseTo(expected[i]!, 6))
  })

  it('answers the same pruned and unpruned, on random catalogues and places', () => {
    const random = seeded(11)
    const between = (low: number, high: number) => low + random() * (high - low)
    for (let run = 0; run < 6; run += 1) {
      const many = {
        ...input,
        stems: [
          stemOn,
          ...Array.from({ length: 60 }, (_, i): StemChoice => ({
            name: `s${i}`,
            clampSize: null,
            stemLength: Math.round(between(30, 130)),
            stemAngle: Math.round(between(-30, 40)),
            price: 2,
            isOn: false,
          })),
        ],
        bars: [
          barOn,
          ...Array.from({ length: 50 }, (_, i): BarChoice => ({
            name: `b${i}`,
            clampSize: null,
            price: 2,
            isOn: false,
            shape: {
              ...shape,
              barWidth: Math.round(between(640, 820)),
              barRise: Math.round(between(0, 60)),
              barBacksweep: Math.round(between(4, 30)),
            },
          })),
        ],
        wanted: { hold: 'place', at: { x: between(420, 520), y: between(640, 760) }, spacing: null } as const,
      }
      const [fast, slow] = [searchCockpit(many, true), searchCockpit(many, false)]
      expect(fast.lines).toEqual(slow.lines)
      expect(fast.combinations).toBe(slow.combinations)
    }
  })

  it('leaves out other clamps, bars without room for their controls, and stems far from the frame’s own', () => {
    const fixed = { ...stemOn, clampSize: 'd318' } as const
    const { leftOut, lines } = searchCockpit({ ...input, stems: [fixed, ...stems.slice(1)], needed: 300, stemWithin: 20 })
    expect(leftOut.clamp).toBeGreaterThan(0)
    expect(leftOut.narrow).toBeGreaterThan(0)
    expect(leftOut.length).toBeGreaterThan(0)
    for (const { stem, bar } of lines) {
      const [s, b] = [[fixed, ...stems.slice(1)][stem]!, bars[bar]!]
      if (s.clampSize && b.clampSize) expect(s.clampSize).toBe(b.clampSize)
      expect(Math.abs(s.stemLength - 50)).toBeLessThanOrEqual(20)
    }
  })

  it('keeps what is on the bike where nothing is wanted of it, and moves by what the tape found', () => {
    const grip = flatGrip({ ...shape, barRoll: 0, handFromEnd: 60 })
    const clamp = barClamp(front)
    const at = { x: clamp.x + grip.at.x, y: clamp.y + grip.at.y }
    const stay = { ...input, hands: [], wanted: { hold: 'place', at, spacing: null } as const }
    expect(searchCockpit(stay).lines[0]).toMatchObject({ stem: 0, bar: 0, flipped: false, spacers: 15, roll: 0 })
    expect(searchCockpit(stay).lines[0]?.score).toBeCloseTo(0, 9)
    const taped = { ...stay, offset: { x: 7, y: -4 }, wanted: { hold: 'place', at: { x: at.x + 7, y: at.y - 4 }, spacing: null } as const }
    expect(searchCockpit(taped).lines[0]?.score).toBeCloseTo(0, 9)
  })

  it('holds a torso along its circle: wider hands may be nearer', () => {
    const wanted = { hold: 'torso', shoulder: { x: 60, y: 1080 }, chord: 590, acromionWidth: 400 } as const
    const { lines } = searchCockpit({ ...input, wanted })
    expect(lines.length).toBeGreaterThan(0)
    for (const { hand, misses } of lines) {
      const aside = Math.sqrt(590 ** 2 - (hand.z - 200) ** 2)
      expect(misses).toBeCloseTo(Math.abs(Math.hypot(hand.x - 60, hand.y - 1080) - aside), 6)
    }
    // Hands further apart than the arms reach are no answer.
    expect(searchCockpit({ ...input, wanted: { ...wanted, chord: 40 } }).lines).toEqual([])
  })

  it('goes through drop bars with their levers’ places', () => {
    const drops = startingCockpit.flatMap((spec): BarChoice[] => {
      const own = barShapeOf(spec)
      return own?.kind === 'drop' ? [{ name: spec.name, clampSize: spec.clampSize, price: spec.price, isOn: false, shape: own }] : []
    })
    const on: BarChoice = { ...drops[0]!, isOn: true, price: 0 }
    const found = searchCockpit({
      ...input,
      bar: 'drop',
      bars: [on, ...drops],
      lever: { now: 45, reach: 10, step: 5, angle: 2 },
      wanted: { hold: 'place', at: { x: 480, y: 660 }, spacing: 420 },
    })
    expect(found.lines.length).toBe(12)
    expect(found.lines.some(({ lever }) => lever !== 45)).toBe(true)
  })
})

describe('two thousand parts', () => {
  const many = (count: number) => ({
    bar: 'flat',
    front,
    steerer: 30,
    stems: Array.from({ length: count }, (_, i) => ({ name: `s${i}`, stemLength: 30 + (i % 100), stemAngle: (i % 60) - 30 })),
    bars: [{ name: 'on', isOn: true, shape }],
    roll: { now: 0, reach: 0, step: 1 },
    wanted: { hold: 'place', at: { x: 470, y: 690 } },
    count: 3,
  })
  it('are searched, one more is refused by name', () => {
    const { result } = evaluate(cockpitSearchCalculation, many(2000)) as { result: { lines: unknown[]; combinations: number } }
    expect(result.lines).toHaveLength(3)
    expect(result.combinations).toBeGreaterThan(20_000)
    expect(() => evaluate(cockpitSearchCalculation, many(2001))).toThrow('at most 2000 parts')
  })
})

describe('like for like', () => {
  it('gives the stem under which the hand does not move', () => {
    const from = { barWidth: 760, barRise: 10, barForward: 0, barBacksweep: 7, barUpsweep: 5, barBend: 80, barRoll: 0, handFromEnd: 60 }
    const to = { ...from, barWidth: 800, barRise: 35, barBacksweep: 16, barForward: 15 }
    const { result } = evaluate(likeForLikeStemCalculation, { ...front, from, to }) as {
      result: { stemLength: number; stemAngle: number; wider: number }
    }
    const hand = (stem: object, bar: typeof from) => {
      const clamp = barClamp({ ...front, ...stem })
      const { at } = flatGrip(bar)
      return { x: clamp.x + at.x, y: clamp.y + at.y }
    }
    const [before, after] = [hand({}, from), hand(result, to)]
    expect(after.x).toBeCloseTo(before.x, 9)
    expect(after.y).toBeCloseTo(before.y, 9)
    expect(result.wider).toBeCloseTo(2 * (flatGrip(to).at.z - flatGrip(from).at.z), 9)
  })
})

describe('the starting catalogue', () => {
  it('has 30 stems, 40 bars, 12 levers and shifters, each once and each by its own schema', () => {
    const of = (kinds: readonly string[]) => startingCockpit.filter(({ kind }) => kinds.includes(kind)).length
    expect([of(['stem']), of(['flat-bar', 'drop-bar']), of(['levers'])]).toEqual([30, 40, 12])
    expect(new Set(startingCockpit.map(({ name }) => name)).size).toBe(startingCockpit.length)
    for (const spec of startingCockpit) expect(cockpitSpecSchema.parse(spec)).toEqual(spec)
  })

  it('says which figure a part lacks', () => {
    const stem = startingCockpit.find(({ kind }) => kind === 'stem')!
    const wrong = cockpitSpecSchema.safeParse({ ...stem, stemLength: null })
    expect(wrong.error?.issues[0]).toMatchObject({ path: ['stemLength'], message: 'Stem must say this figure.' })
  })
})
