import { BONES_BEHIND, contactOf } from './contact.ts'

it('the contact narrows and goes forward as the pelvis rolls (direction agreed by the trade; sizes our own)', () => {
  const upright = contactOf(120, 80)
  expect(upright).toEqual({ half: 60, behind: BONES_BEHIND })
  const postures = [80, 60, 45, 30, 15].map((torso) => contactOf(120, torso))
  postures.forEach((contact, i) => {
    const before = postures[i - 1]
    if (!before) return
    expect(contact.half).toBeLessThan(before.half)
    expect(contact.behind).toBeLessThan(before.behind)
  })
  expect(contactOf(120, 0).half).toBeGreaterThan(40)
})
