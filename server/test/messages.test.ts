import { everyMessage, messageFaults, sheetMessages } from '@level-stance/core/record/testing'
import { visitStateOf } from '@level-stance/core/record/visitFile'
import { demoVisits } from '../src/demo/riders.ts'

describe('every message of the demo visits', () => {
  it.each(demoVisits.map((file) => [file.rider.name, file] as const))('of %s reads well in either unit', (_, file) => {
    const held = visitStateOf(file)
    const messages = [...everyMessage(held), ...sheetMessages(held)]
    expect(messages.length).toBeGreaterThan(50)
    expect(messages.flatMap(messageFaults)).toEqual([])
  })
})
