import { trimmed } from '../quantity/entry.ts'
import { sides } from '../quantity/sided.ts'
import { metricDefinitions } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { LOW_TORSO } from '../seat/saddleCriteria.ts'
import { MOST_ONE_SIDE, TURNED } from '../seat/matFindings.ts'
import { CREEP, HEAVY_HANDS } from '../seat/setback.ts'
import { against, byKnee, byLine, causesOf, open, speaksFor } from './cause.ts'
import type { CauseRow, ComplaintCauses, ComplaintRow } from './cause.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { SeatParts } from '../seat/station.ts'

/** Where a cause is dealt with: a page of the seat, or another station. */
export type SeatCausePage = 'saddle' | 'tilt' | 'height' | 'setback' | 'legs' | 'feet' | 'hands'

type Row = CauseRow<SeatParts, SeatCausePage>
/** Locked below, cramped above, degrees: the lines of the elbow’s own vial. */
const ELBOW = metricDefinitions.elbowLeft.band ?? { low: 10, high: 45 }
/** A hip that closes further than this at the top, degrees. @source prior */
const CLOSED_HIP = 40

/** The straighter elbow of the two, with its ±. */
function straighter({ context: { metrics, plusMinus } }: SeatParts): { readonly bend: number; readonly doubt: number | null } | null {
  const of = (key: MetricKey) => {
    const bend = metrics?.[key] ?? null
    return bend === null ? [] : [{ bend, doubt: plusMinus(key) }]
  }
  return [...of('elbowLeft'), ...of('elbowRight')].sort((a, b) => a.bend - b.bend)[0] ?? null
}
const finding = ({ widthFindings }: SeatParts, key: string) => widthFindings.find((f) => f.key === key)

/** The causes that lie at the seat, each with what the readings say of it. @source common-practice */
export const seatCauses = {
  'nose-up': {
    label: 'Nose up',
    page: 'tilt',
    says: ({ tilt: { now, target } }) => {
      if (now === null) return open('Tilt where the rider sits is not read.', 'saddleTilt')
      if (now.value > target.band.high)
        return now.value - target.band.high > now.plusMinus
          ? speaksFor(`${trimmed(now.value, 1)}° where the rider sits, asked at most ${trimmed(target.band.high, 1)}.`)
          : open('Within what the level can tell of the band’s edge.', 'saddleTilt')
      return against(`${trimmed(now.value, 1)}° where the rider sits.`)
    },
  },
  'nose-down': {
    label: 'Nose too far down',
    page: 'tilt',
    says: ({ tilt: { now, target } }) => {
      if (now === null) return open('Tilt where the rider sits is not read.', 'saddleTilt')
      const here = `${trimmed(now.value, 1)}° where the rider sits.`
      if (now.value >= target.band.low) return against(here)
      return byLine(
        now.value,
        target.band.low,
        'below',
        now.plusMinus,
        { beyond: `${trimmed(now.value, 1)}°: slides forward.`, short: here },
        'saddleTilt',
      )
    },
  },
  narrow: {
    label: 'Saddle narrow',
    page: 'saddle',
    says: (station) => {
      if (station.width === null)
        return station.spacing === null
          ? open('Sit-bone spacing is not read.', 'sitBoneSpacing')
          : open('The torso is not known.', 'torsoAngle')
      const found = finding(station, 'narrow')
      if (found) return found.weight === 'act' ? speaksFor(found.headline) : open(found.headline, 'sitBoneSpacing')
      return station.widthFindings.some(({ key }) => ['wide', 'width-fits'].includes(key))
        ? against('Not narrow for these bones.')
        : open('The saddle’s width is not read.', 'saddleWidth')
    },
  },
  wide: {
    label: 'Saddle too wide',
    page: 'saddle',
    says: (station) => {
      const found = finding(station, 'wide')
      if (found) return found.weight === 'act' ? speaksFor(found.headline) : open(found.headline, 'sitBoneSpacing')
      return station.widthFindings.some(({ key }) => ['narrow', 'width-fits'].includes(key))
        ? against('Not wide for these bones.')
        : open('Spacing or width is not read.', 'sitBoneSpacing', 'saddleWidth')
    },
  },
  'no-relief': {
    label: 'No relief in the middle',
    page: 'saddle',
    says: ({ look: { relief }, mat }) => {
      const middle = mat.find(({ key, weight }) => key === 'middle' && weight === 'act')
      if (middle) return speaksFor(`Mat: ${middle.headline}`)
      return relief === null
        ? open('Relief is not read.', 'saddleRelief')
        : relief === 'none'
          ? speaksFor('A closed saddle.')
          : against(relief === 'groove' ? 'It has a groove.' : 'It has a cut-out.')
    },
  },
  'too-high': {
    label: 'Saddle too high',
    page: 'height',
    says: (station, side) => {
      const rocks = station.look.rocking === 'much'
      const knee = station.knees[side]
      if (knee === null && rocks) return open('Rocks much under load: too high, or too wide a saddle.', 'kneeFlexion', 'saddleWidth')
      const said = byKnee(knee, 'high', rocks ? ', and the pelvis rocks much' : '')
      return said.speaks === 'against' && rocks ? against(`${said.because} Rocking has another cause here.`) : said
    },
  },
  'too-low': {
    label: 'Saddle too low',
    page: 'height',
    says: ({ knees }, side) => byKnee(knees[side], 'low'),
  },
  'reach-long': {
    label: 'Reach long, pelvis rolled',
    page: 'hands',
    says: (station) => {
      const { creep } = station
      const elbow = straighter(station)
      if ((creep ?? 0) > CREEP) return speaksFor(`Comes forward ${trimmed(creep ?? 0, 0)} mm under effort.`)
      if (elbow === null) return open('Where the hands are is not known.', 'handReach', 'handHeight', 'elbowFlexion')
      return byLine(
        elbow.bend,
        ELBOW.low,
        'below',
        elbow.doubt,
        { beyond: 'The elbows are locked.', short: 'The elbows are bent.' },
        'elbowFlexion',
      )
    },
  },
  'reach-short': {
    label: 'Reach short',
    page: 'hands',
    says: (station) => {
      const elbow = straighter(station)
      if (elbow === null) return open('Where the hands are is not known.', 'handReach', 'handHeight', 'elbowFlexion')
      const words = { beyond: 'The elbows are much bent.', short: 'The elbows are not cramped.' }
      return byLine(elbow.bend, ELBOW.high, 'above', elbow.doubt, words, 'elbowFlexion')
    },
  },
  still: {
    label: 'Never moves on the saddle',
    page: 'setback',
    says: () => open('Ask: stand for ten seconds every few minutes, and say whether it helps.'),
  },
  rotated: {
    label: 'Sits rotated',
    page: 'legs',
    says: ({ look: { pelvis }, context: { mat: matResult } }) => {
      const turned = Math.abs(matResult?.turned ?? 0)
      if (turned > TURNED) return speaksFor(`Mat: one bone lies ahead by ${trimmed(turned, 0)}°.`)
      if (matResult && Math.max(matResult.left, 1 - matResult.left) > MOST_ONE_SIDE)
        return speaksFor(`Mat: ${trimmed(100 * Math.max(matResult.left, 1 - matResult.left), 0)} % on one side.`)
      if (pelvis === null) return open('Pelvis from behind is not read.', 'pelvisLevel')
      return pelvis === 'level'
        ? against('The pelvis is level.')
        : speaksFor(
            pelvis === 'twisted' ? 'The pelvis is twisted.' : `The pelvis drops to the ${pelvis === 'drops-left' ? 'left' : 'right'}.`,
          )
    },
  },
  'leg-length': {
    label: 'Leg-length or cleat difference',
    page: 'legs',
    says: ({ legs }) => {
      const found = legs.findings.find(({ weight }) => weight === 'first' || weight === 'act')
      if (legs.state === 'missing') return open('Leg length is not read.', 'legLengthDifference')
      return found ? speaksFor(found.headline) : against(legs.findings[0]?.headline ?? 'No difference found.')
    },
  },
  worn: {
    label: 'Worn saddle',
    page: 'saddle',
    says: ({ look: { sound } }) =>
      sound === null
        ? open('Nobody has pressed the saddle.', 'saddleSound')
        : sound === 'sound'
          ? against('The saddle is sound.')
          : speaksFor(
              sound === 'cracked'
                ? 'Rails or shell are bent or cracked: off the bike with it.'
                : `It sags on the ${sound === 'sags-left' ? 'left' : 'right'}.`,
            ),
  },
  'far-forward': {
    label: 'Saddle too far forward',
    page: 'setback',
    says: ({ look: { sits }, context: { metrics, plusMinus } }) => {
      if (sits === 'tail') return speaksFor('Falls off the tail.')
      const load = metrics?.load ?? null
      if (load !== null && load - (plusMinus('load') ?? 0) > HEAVY_HANDS)
        return speaksFor(`The hands carry ${trimmed(load, 0)} % (an index).`)
      return sits === null ? open('Where the rider sits is not read.', 'sitsWhere') : against('Does not fall off the tail.')
    },
  },
  'far-back': {
    label: 'Saddle too far back',
    page: 'setback',
    says: ({ look: { sits } }) =>
      sits === 'nose'
        ? speaksFor('Sits on the nose.')
        : sits === null
          ? open('Where the rider sits is not read.', 'sitsWhere')
          : against('Does not sit on the nose.'),
  },
  'cleat-forward': { label: 'Cleat forward', page: 'feet', says: () => open('The feet’s Fore–aft page says.') },
  'crank-long': {
    label: 'Crank long',
    page: 'feet',
    says: ({ context: { metrics, plusMinus } }) => {
      const least = Math.min(metrics?.hipLeft ?? Infinity, metrics?.hipRight ?? Infinity)
      if (!Number.isFinite(least)) return open('The hip’s angle is not known.', 'hipAngle')
      const words = `The hip stands at ${trimmed(least, 0)}° at the top.`
      const doubt = plusMinus(least === metrics?.hipLeft ? 'hipLeft' : 'hipRight')
      return byLine(least, CLOSED_HIP, 'below', doubt, { beyond: words, short: words }, 'hipAngle')
    },
  },
  'front-low': {
    label: 'Front too low',
    page: 'hands',
    says: ({ context: { metrics, plusMinus } }) => {
      const torso = metrics?.torso ?? null
      if (torso === null) return open('The torso is not known.', 'torsoAngle')
      const words = `Torso at ${trimmed(torso, 0)}°.`
      return byLine(torso, LOW_TORSO, 'below', plusMinus('torso'), { beyond: words, short: words }, 'torsoAngle')
    },
  },
} as const satisfies Readonly<Record<string, Row>>
export type SeatCauseKey = keyof typeof seatCauses

const hurt = (c: Complaint) => c.kind === 'pain' || c.kind === 'numb'
const at =
  (...regions: Complaint['region'][]) =>
  (c: Complaint) =>
    hurt(c) && regions.includes(c.region)
const slides = (c: Complaint) => c.kind === 'slips' && ['groin', 'sit-bone'].includes(c.region)

/** Complaints tied to the seat, with their causes, most usual first. @source common-practice */
const rows: readonly ComplaintRow<SeatCauseKey>[] = [
  { when: at('groin'), causes: ['nose-up', 'narrow', 'no-relief', 'too-high', 'reach-long', 'still'] },
  { when: (c) => at('sit-bone')(c) && (c.side === 'left' || c.side === 'right'), causes: ['rotated', 'leg-length', 'worn'] },
  { when: at('sit-bone'), causes: ['too-high', 'wide', 'narrow', 'worn', 'still'] },
  { when: slides, causes: ['narrow', 'nose-up', 'nose-down', 'reach-long', 'reach-short'] },
  { when: at('knee-front'), causes: ['too-low', 'far-forward', 'cleat-forward', 'crank-long'] },
  { when: at('knee-back', 'hamstring'), causes: ['too-high', 'far-back'] },
  { when: at('low-back'), causes: ['nose-up', 'reach-long', 'too-high', 'front-low'] },
  { when: at('hand-little'), causes: ['nose-down', 'reach-long', 'far-forward'] },
  { when: at('hand-thumb', 'neck', 'shoulder'), causes: ['nose-down', 'far-forward', 'front-low'] },
  { when: at('stomach', 'hip'), causes: ['front-low', 'crank-long', 'far-back'] },
  { when: at('calf', 'achilles'), causes: ['too-high'] },
]

/** Complaints that can lie at the seat, each with its causes and what the readings say of them; the saddle's own first. */
export function seatComplaints(complaints: readonly Complaint[], station: SeatParts): ComplaintCauses<SeatCausePage>[] {
  const saddleFirst = [...complaints].sort(
    (a, b) => Number(b.region === 'groin' || b.region === 'sit-bone') - Number(a.region === 'groin' || a.region === 'sit-bone'),
  )
  return causesOf(saddleFirst, rows, seatCauses, (row, side) => row.says(station, side), sides)
}
