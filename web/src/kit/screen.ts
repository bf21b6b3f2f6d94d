import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { ComputedRef } from 'vue'

/**
 * How a page lies on this screen. `wide`: three columns. `upright`: board on top, readings and judgement
 * under it. `low`: a tablet on its side, board beside one sheet. `phone`: everything one under the other.
 * The same widths stand in the style sheets.
 */
export type ScreenKind = 'wide' | 'upright' | 'low' | 'phone'
export function useScreen(): ComputedRef<ScreenKind> {
  const narrow = useMediaQuery('(max-width: 1100px)')
  const phone = useMediaQuery('(max-width: 700px)')
  const upright = useMediaQuery('(orientation: portrait)')
  return computed(() => (phone.value ? 'phone' : !narrow.value ? 'wide' : upright.value ? 'upright' : 'low'))
}
