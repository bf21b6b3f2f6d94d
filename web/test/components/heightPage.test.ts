/** @jest-environment jsdom */
import { aReading, readingsWith } from '@level-stance/core/testing'
import HeightPage from '../../src/stations/seat/height/HeightPage.vue'
import { useSeat } from '../../src/stations/useSeat.ts'
import { freshWindow, openVisit, rested, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

describe('height by both knees', () => {
  it('judges a knee that was read with nothing else entered, and names what the way there takes', () => {
    openVisit({
      readings: [
        aReading('kneeFlexion', 'left', 38),
        aReading('kneeFlexion', 'right', 38),
        aReading('saddleHeight', 'both', 700),
        aReading('inseam', 'both', 830),
        aReading('crank', 'both', 170),
      ],
    })
    useSeat().open('height')
    const at = shown(HeightPage, {})
    expect(at.get('[data-testid="metric-kneeLeft"]').attributes('aria-label')).toContain(' 38° ±3, borderline')
    expect(at.text()).toContain('Left knee: the saddle is low for it.')
    expect(at.get('.missing').text()).toMatch(
      /^The knee is judged as it was read\. To say how far the saddle should move, measure .*stature/,
    )
    expect(at.find('[data-testid="height-window"]').exists()).toBe(false)
  })

  it('asks for the knee or the legs while neither is known, and says a window once they are', async () => {
    openVisit({ readings: [] })
    expect(shown(HeightPage, {}).get('.missing').text()).toMatch(/^Read the knee at the bottom, or measure .*saddle height/)
    openVisit({ readings: readingsWith({}) })
    await rested()
    expect(shown(HeightPage, {}).get('[data-testid="height-window"]').text()).toMatch(
      /^\d+ to \d+ mm suits both knees; the saddle stands at 724\.$/,
    )
  })
})
