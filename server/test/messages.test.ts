import { emptyVisit } from '@level-stance/core/reason/visitInput'
import { everyMessage, messageFaults, sheetMessages } from '@level-stance/core/record/testing'
import { demoVisits } from '../src/demo/riders.ts'

describe('every message of the demo visits', () => {
  it.each(demoVisits.map((file) => [file.rider.name, file] as const))('of %s reads well in either unit', (_, file) => {
    const { readings, complaints, ledger, ratings, bike, visit } = file
    const { riding, choices, pace } = visit
    const held = { ...emptyVisit, readings, complaints, ledger, ratings, riding, choices, pace, kind: bike.kind }
    const messages = [...everyMessage(held), ...sheetMessages(held)]
    expect(messages.length).toBeGreaterThan(50)
    expect(messages.flatMap(messageFaults)).toEqual([])
  })
})
