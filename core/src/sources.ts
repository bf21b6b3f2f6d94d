/** What a number rests on. `from-memory` says that the value was written down without the book at hand. */
export interface Source {
  readonly kind: 'published' | 'common-practice' | 'geometry' | 'own'
  readonly title: string
  readonly note: string
}

/** Every published source and rule of the trade used by a calculation, by key. */
export const sources = {
  geometry: { kind: 'geometry', title: 'Plane geometry', note: 'Derived; follows from the drawing alone.' },
  gum: {
    kind: 'published',
    title: 'JCGM 100:2008, Guide to the expression of uncertainty in measurement',
    note: 'First-order propagation, clause 5.1; coverage factor 2.',
  },
  'drillis-contini': {
    kind: 'published',
    title: 'Drillis & Contini 1966, as drawn in Winter, Biomechanics and Motor Control of Human Movement, fig. 4.1',
    note: 'Segment lengths as fractions of stature. Values from memory of the source.',
  },
  'ansur-ii': {
    kind: 'published',
    title: 'Gordon et al. 2014, ANSUR II, NATICK/TR-15/007',
    note: 'Ball-of-foot length over foot length, 0.74. Values from memory of the source.',
  },
  'hamley-thomas': {
    kind: 'published',
    title: 'Hamley & Thomas 1967, Journal of Physiology 191:55P',
    note: '109 % of inside leg, pedal axle to saddle top. Value from memory of the source.',
  },
  holmes: {
    kind: 'published',
    title: 'Holmes, Pruitt & Whalen 1994, Clinics in Sports Medicine 13:187',
    note: 'Static knee flexion 25–35° at bottom dead centre. Value from memory of the source.',
  },
  'van-sickle-hull': {
    kind: 'published',
    title: 'Van Sickle & Hull 2007, Journal of Biomechanics 40:1262',
    note: 'A rearward foot leaves economy unchanged and lowers the load on the calf: direction only, from memory.',
  },
  'common-practice': {
    kind: 'common-practice',
    title: 'Common practice',
    note: 'A rule of the trade without a published source.',
  },
  prior: {
    kind: 'own',
    title: 'Starting assumption of this product',
    note: 'Used until the value is measured; its uncertainty is set wide on purpose.',
  },
} as const satisfies Readonly<Record<string, Source>>

export type SourceKey = keyof typeof sources
