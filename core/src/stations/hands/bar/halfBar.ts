import type { Setup } from '../../../rider/setup.ts'
import { readOf, lacks, has, valuesOf } from '../../../station/readOf.ts'
import type { OrMissing } from '../../../station/readOf.ts'
import type { HalfBar } from './room.ts'

/** Shape of a half of the flat bar; null while it is not read. */
export function halfBar({ now }: Pick<Setup, 'now'>): OrMissing<HalfBar> {
  const { read, missing } = readOf(now, 'left', ['barWidth', 'barBend', 'barBacksweep', 'barUpsweep'])
  return read === null ? lacks(missing) : has(valuesOf(read))
}
