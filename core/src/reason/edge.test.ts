import { bySide } from '../kernel/sided.ts'
import { complaintAt, controlComplaint, onlyReadings, readingsWith } from '../testing.ts'
import { numberAt, weigh } from './evidence.ts'
import type { CauseKey } from './causeTable.ts'
import type { NumberName } from './numbers.ts'
import { aVisit } from './testing.ts'
import { visitModel } from './visitModel.ts'

const complaints = [complaintAt(1, 'knee-front', 'both'), controlComplaint(2, 'slides-forward')]
const factsOf = (over: Parameters<typeof onlyReadings>[0], whole = false) =>
  visitModel(aVisit({ complaints, readings: whole ? readingsWith(over) : onlyReadings(over) }), { spreads: null }).facts
const said = (over: Parameters<typeof onlyReadings>[0], cause: CauseKey, of: NumberName) =>
  weigh(factsOf(over), cause, ['left', 'right']).said.find((one) => one.of === of)

describe('a number on the end of its band', () => {
  it.each([
    ['saddle-high', 'knee', { kneeFlexion: 25 }],
    ['saddle-low', 'knee', { kneeFlexion: 35 }],
  ] as const)('speaks for nothing being wrong: %s, %s (25 to 35° held still, Holmes)', (cause, of, over) => {
    const { band, value } = numberAt(factsOf(over), of, 'left')!
    expect([band!.low, band!.high]).toContain(value)
    expect(said(over, cause, of)).toMatchObject({ speaks: 'against', past: 0 })
  })

  it('speaks against a tilt and a float as well', () => {
    const tilt = numberAt(factsOf({ saddleTilt: 0 }), 'saddleTilt', 'left')!.band!
    expect(said({ saddleTilt: tilt.high }, 'nose-up', 'saddleTilt')!.moves).toBeLessThan(-0.2)
    const swing = { heelIn: 2, heelOut: 2, toeOutHanging: 6, cleatTurn: 6 }
    const need = numberAt(factsOf({ ...swing, cleatFloat: 6 }), 'float', 'left')!.band!.low
    expect(said({ ...swing, cleatFloat: need }, 'float-small', 'float')!.moves).toBeLessThan(-0.2)
  })

  it('speaks for the cause from where its page calls it clearly outside', () => {
    const facts = factsOf({ kneeFlexion: 25 })
    const { plusMinus } = numberAt(facts, 'knee', 'left')!
    expect(said({ kneeFlexion: 25 - plusMinus - 0.5 }, 'saddle-high', 'knee')).toMatchObject({ speaks: 'for' })
    expect(bySide((side) => numberAt(facts, 'knee', side)!.value)).toEqual({ left: 25, right: 25 })
  })
})
