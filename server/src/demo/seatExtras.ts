import type { Point } from '@level-stance/core/bike/contactPoints'
import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { shapeFrom } from '@level-stance/core/bike/saddleShape'
import type { AttachmentFields } from '@level-stance/core/record/attachments'
import type { TriedSaddle } from '@level-stance/core/record/triedSaddles'
import { homography, mapped } from '@level-stance/core/stations/seat/saddle/homography'
import type { Quad } from '@level-stance/core/stations/seat/saddle/homography'
import { matFrameText, matHeaderText } from '@level-stance/core/stations/seat/mat/format'
import { simulateMat, simulatedMat } from '@level-stance/core/simulate/matSimulation'
import { seeded } from '@level-stance/core/kernel/random'
import type { MatRider } from '@level-stance/core/simulate/matSimulation'
import { addAttachment, writeAttachment } from '../attachments/store.ts'
import type { Database } from '../db/queryable.ts'
import { DEFAULT_STUDIO } from '../http/studio.ts'
import { writeTried } from '../saddles/triedStore.ts'

/** What a made-up rider brings besides the visit's file. */
export interface SeatExtras {
  /** simulated recordings, by title */
  readonly mats: readonly { readonly title: string; readonly rider: MatRider }[]
  /** a drawn picture of an impression with bones this far apart, mm; null = none */
  readonly impression: number | null
  readonly tried: readonly TriedSaddle[]
}

const rider = (more: Partial<MatRider>): MatRider => ({
  spacing: 120,
  turned: 0,
  tilt: 0,
  torso: 60,
  leans: 0,
  rocking: 0.1,
  effort: 0.2,
  mass: 75,
  cadence: 80,
  relief: 0,
  shape: shapeFrom({}),
  ...more,
})

/** By the rider's name in the demo. */
export const seatExtras: Readonly<Record<string, SeatExtras>> = {
  'Baptiste Okonjo': {
    mats: [
      {
        title: 'Simulated: as it came',
        rider: rider({
          spacing: 128,
          tilt: 1.8,
          torso: 54,
          mass: 78,
          cadence: 85,
          shape: shapeFrom({ width: 139, zoneWidth: 114, length: 272, noseWidth: 40, sitFromNose: 152 }),
        }),
      },
      {
        title: 'Simulated: touring, 165, 1° nose down',
        rider: rider({
          spacing: 128,
          tilt: -1,
          torso: 54,
          mass: 78,
          cadence: 85,
          relief: 26,
          shape: shapeFrom({ width: 165, zoneWidth: 142, length: 268, noseWidth: 42, sitFromNose: 160 }),
        }),
      },
    ],
    impression: 128,
    tried: [
      { name: 'Long, curved, 144', width: 144, mark: 3, hours: 40, spare: false, note: 'Numb within the hour.' },
      { name: 'Old leather one', width: 170, mark: 8, hours: 900, spare: false, note: 'The best ever; worn through, no longer made.' },
    ],
  },
  'Imre Castellane': {
    mats: [
      {
        title: 'Simulated: as it came',
        rider: rider({
          spacing: 126,
          leans: 0.85,
          turned: 7,
          torso: 84,
          mass: 84,
          rocking: 0.3,
          shape: shapeFrom({ width: 176, zoneWidth: 150, length: 262, sitFromNose: 165 }),
        }),
      },
    ],
    impression: null,
    tried: [],
  },
}

export async function loadSeatExtras(
  db: Database,
  { riderId, visitId }: { riderId: string; visitId: string },
  extras: SeatExtras,
  at: Date,
) {
  let next = at.getTime()
  const add = (kind: 'mat' | 'impression', title: string, body: Buffer) =>
    addAttachment(db, DEFAULT_STUDIO, visitId, { id: randomUUID(), kind, title }, body, new Date(next++))
  for (const [i, { title, rider: simulated }] of extras.mats.entries()) {
    const frames = simulateMat(simulated, 4, 10, seeded(20 + i))
    await add('mat', title, Buffer.from(matHeaderText(simulatedMat) + frames.map((frame) => matFrameText(frame, simulatedMat)).join('')))
  }
  if (extras.impression !== null) {
    const { content, marks } = await drawnImpression(extras.impression)
    const { id, title, version } = await add('impression', 'Drawn: an impression on card', content)
    await writeAttachment(db, DEFAULT_STUDIO, id, version, { title, marks, removed: false })
  }
  for (const saddle of extras.tried) await writeTried(db, DEFAULT_STUDIO, riderId, 0, { id: randomUUID(), saddle, removed: false })
}

const PICTURE = { width: 1600, height: 1200 }

/** A drawing of a sheet seen at a slant, with two dents: made up, to have something to mark. */
export async function drawnImpression(spacing: number): Promise<{ content: Buffer; marks: NonNullable<AttachmentFields['marks']> }> {
  const sheet = { width: 297, height: 210 }
  const world: Quad = [
    { x: 0, y: 0 },
    { x: sheet.width, y: 0 },
    { x: sheet.width, y: sheet.height },
    { x: 0, y: sheet.height },
  ]
  const corners: Quad = [
    { x: 250, y: 1010 },
    { x: 1420, y: 940 },
    { x: 1240, y: 330 },
    { x: 390, y: 360 },
  ]
  const h = homography(world, corners)
  const place = (x: number, y: number): Point => {
    const seen = h && mapped(h, { x, y })
    if (seen === null) throw new RangeError('The sheet of the example cannot be seen from there.')
    return seen
  }
  const bones = { left: place(148.5 - spacing / 2, 100), right: place(148.5 + spacing / 2, 104) }
  const dent = ({ x, y }: { x: number; y: number }) =>
    `<ellipse cx="${x}" cy="${y}" rx="78" ry="52" fill="url(#dent)"/><ellipse cx="${x}" cy="${y}" rx="9" ry="6" fill="#5b4a33"/>`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${PICTURE.width}" height="${PICTURE.height}">
<defs><radialGradient id="dent"><stop offset="0" stop-color="#8d7550"/><stop offset="0.6" stop-color="#b89b6f"/><stop offset="1" stop-color="#cdb48a" stop-opacity="0"/></radialGradient></defs>
<rect width="100%" height="100%" fill="#6f7673"/><polygon points="${corners.map(({ x, y }) => `${x},${y}`).join(' ')}" fill="#cdb48a" stroke="#8a744d" stroke-width="3"/>
${dent(bones.left)}${dent(bones.right)}</svg>`
  const content = await sharp(Buffer.from(svg)).png().toBuffer()
  return {
    content,
    marks: {
      by: 'sheet',
      corners: [corners[0], corners[1], corners[2], corners[3]],
      sheet,
      scale: { from: corners[0], to: corners[1], length: 297 },
      bones,
    },
  }
}
