const format = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

/** "6 Oct 2026", in the fitter's own time zone. */
export function dayOf(iso: string): string {
  return format.format(new Date(iso))
}
