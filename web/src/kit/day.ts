const format = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

/** "6 Oct 2026", in the fitter's own time zone. */
export function dayOf(iso: string): string {
  return format.format(new Date(iso))
}

const withTime = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })

/** "6 Oct 2026, 14:10", in the fitter's own time zone. */
export function momentOf(iso: string): string {
  return withTime.format(new Date(iso))
}
