import { midSentence } from '../../../kernel/words.ts'
import { complaintTitle, isAt } from '../../../talk/complaint.ts'
import type { Complaint } from '../../../talk/complaint.ts'
import type { BodyRegionKey } from '../../../talk/regions.ts'

export const softTissue = ['groin'] as const
export const handPlaces = ['hand-thumb', 'hand-little', 'neck', 'shoulder'] as const
/** Complaints a leg-length difference could bear on. */
export const legPlaces = ['low-back', 'hip', 'sit-bone', 'knee-outer', 'knee-inner'] as const

/** Complaints of these places, in words. */
export function told(
  complaints: readonly Complaint[],
  regions: readonly BodyRegionKey[],
  more: (c: Complaint) => boolean = () => true,
): string[] {
  return complaints.filter((c) => isAt(c, regions) && c.kind !== 'control' && more(c)).map((c) => midSentence(complaintTitle(c)))
}

/** Whether the rider slides down to the nose, as told; a sit bone that slips does not say which way. */
export function slidesForward(complaints: readonly Complaint[]): boolean {
  return complaints.some((c) => c.control === 'slides-forward' || (c.kind === 'slips' && isAt(c, ['groin'])))
}

/** Whether the rider slides about on the saddle, as told. */
export function slidesAbout(complaints: readonly Complaint[]): boolean {
  return slidesForward(complaints) || complaints.some((c) => c.control === 'slides-back' || (c.kind === 'slips' && isAt(c, ['sit-bone'])))
}

/** The worst pain told at these places, 0 to 10. */
export function worst(complaints: readonly Complaint[], regions: readonly BodyRegionKey[]): number {
  return Math.max(0, ...complaints.filter((c) => isAt(c, regions) && c.kind === 'pain').map((c) => c.severity ?? 0))
}
