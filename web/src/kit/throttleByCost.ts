/** A stream may keep the screen busy for this share of the time; the rest is the hand's. */
const SHARE = 1 / 3

/**
 * Work that a stream asks for again and again. It is done at most every `least` ms, and on a slow machine
 * less often: what it costs is measured until its frame is painted. Of several askings meanwhile the last counts.
 * @param least ms from one start to the next
 */
export function throttleByCost(work: () => void, least: number): () => void {
  let isWanted = false
  let isResting = false
  function run(): void {
    isWanted = false
    isResting = true
    const begun = performance.now()
    work()
    requestAnimationFrame(() =>
      setTimeout(() => {
        const took = performance.now() - begun
        setTimeout(again, Math.max(least, took / SHARE) - took)
      }),
    )
  }
  function again(): void {
    isResting = false
    if (isWanted) run()
  }
  return () => {
    if (isResting) isWanted = true
    else run()
  }
}
