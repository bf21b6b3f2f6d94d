/**
 * Puts off work that nobody watches until the screen has been painted; several calls before that are
 * one. Leaving the page does it at once.
 */
export function afterFrame(work: () => void): () => void {
  let waiting = false
  function now(): void {
    if (!waiting) return
    waiting = false
    work()
  }
  window.addEventListener('pagehide', now)
  document.addEventListener('visibilitychange', now)
  return () => {
    if (waiting) return
    waiting = true
    if (document.visibilityState === 'visible') requestAnimationFrame(() => setTimeout(now))
    else setTimeout(now)
  }
}
