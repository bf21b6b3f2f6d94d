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
  'winter-table': {
    kind: 'published',
    title: 'Winter, Biomechanics and Motor Control of Human Movement, table 4.1',
    note: 'Segment masses and centres of mass; trunk with head and neck. Values from memory of the source.',
  },
  'ansur-ii': {
    kind: 'published',
    title: 'Gordon et al. 2014, ANSUR II, NATICK/TR-15/007',
    note: 'Ratios of means: ball-of-foot to foot length 0.74; biacromial breadth and hand length to stature. Values from memory of the source.',
  },
  pheasant: {
    kind: 'published',
    title: 'Pheasant, Bodyspace',
    note: 'Index finger 72 and 67 mm, hand length 189 and 174 mm (means of men and women). Values from memory of the source.',
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
  'ferrer-roca': {
    kind: 'published',
    title: 'Ferrer-Roca et al. 2012, Journal of Strength and Conditioning Research 26:3025',
    note: 'Dynamic knee flexion 30–40°; saddle height 22.1 + 0.896 · inseam − 0.15 · flexion, cm and degrees, from the pedal. Values from memory of the source.',
  },
  fonda: {
    kind: 'published',
    title: 'Fonda et al. 2014, Journal of Sports Sciences 32:940',
    note: 'Flexion while pedalling exceeds flexion held still by about 5–10°. Value from memory of the source.',
  },
  keir: {
    kind: 'published',
    title: 'Keir et al. 2007, Human Factors 49:88; Weiss et al. 1995, Journal of Bone and Joint Surgery 77A:1695',
    note: 'Carpal pressure is least near 2° toward the little finger; 30 mmHg is reached at 14.5° that way and 21.8° the other. Values from memory of the sources.',
  },
  jarboe: {
    kind: 'published',
    title: 'Jarboe & Quesada 2003, Foot & Ankle International 24:784',
    note: 'A stiffer sole raised forefoot peak pressure by about 18 %, against the trade’s belief. Value from memory of the source.',
  },
  'disley-li': {
    kind: 'published',
    title: 'Disley & Li 2014, Scandinavian Journal of Medicine & Science in Sports 24:117',
    note: 'Gross efficiency by tread: 90 and 120 mm 19.38 %, 150 mm 19.09 %, 180 mm 19.05 %; trained riders, one effort, seated. Values from memory of the source.',
  },
  garbalosa: {
    kind: 'published',
    title: 'Garbalosa et al. 1994, Journal of Orthopaedic & Sports Physical Therapy 20:200',
    note: 'Forefoot of 240 feet: 86.7 % varus, 7.8° in the mean; 8.8 % valgus, 4.6 % neutral. Values from memory of the source.',
  },
  murray: {
    kind: 'published',
    title: 'Murray et al. 1964, Journal of Bone and Joint Surgery 46A:335; Staheli et al. 1985, Journal of Bone and Joint Surgery 67A:39',
    note: 'Natural toe-out while walking about 7° (SD 6): a broad prior only. Values from memory of the sources.',
  },
  'navicular-drop': {
    kind: 'published',
    title:
      'Brody 1982, Orthopedic Clinics of North America 13:541; Mueller et al. 1993, Journal of the American Podiatric Medical Association 83:198',
    note: 'A navicular drop is called large from 15 mm (Brody), or from 10 mm (Mueller). Values from memory of the sources.',
  },
  knutson: {
    kind: 'published',
    title: 'Knutson 2005, Chiropractic & Osteopathy 13:11',
    note: 'Difference of leg length in the population: mean 5.2 mm, deviation 4.1. Values from memory of the source.',
  },
  salai: {
    kind: 'published',
    title: 'Salai et al. 1999, British Journal of Sports Medicine 33:398',
    note: 'Nose lowered by 10 to 15° eased low-back pain in most of 40 riders; uncontrolled, and far beyond the trade’s 0 to 3°. Values from memory of the source.',
  },
  partin: {
    kind: 'published',
    title: 'Partin et al. 2012, Journal of Sexual Medicine 9:1367',
    note: 'With the bars below the saddle pressure under the seat shifts forward: direction only, from memory.',
  },
  'iso-261': {
    kind: 'published',
    title: 'ISO 261, metric threads; pedal threads by common practice',
    note: 'Coarse pitch M5 0.80 mm; pedal thread 9/16 inch by 20 to the inch: 1.27 mm a turn, left pedal left-handed. Values from memory.',
  },
  'iso-4210': {
    kind: 'published',
    title: 'ISO 4210-2, safety requirements for bicycles',
    note: 'Seatpost’s insertion mark at least twice its diameter; at least a quarter of the weight on the front wheel with the rider rearmost; bar width 350–1000 mm; toe clearance from the pedal’s axle 100 mm, 89 with the foot held. Values from memory of the standard.',
  },
  'kong-lowe': {
    kind: 'published',
    title: 'Kong & Lowe 2005, International Journal of Industrial Ergonomics 35:495',
    note: 'Grip diameter that closes best: about 0.197 of the hand’s length. Value from memory of the source.',
  },
  'abramowitz-stegun': {
    kind: 'published',
    title: 'Abramowitz & Stegun, Handbook of Mathematical Functions, 26.2.17',
    note: 'Normal distribution to 7.5 · 10⁻⁸. Coefficients from memory of the source, checked against tables.',
  },
  farrar: {
    kind: 'published',
    title: 'Farrar et al. 2001, Pain 94:149',
    note: 'On a scale from 0 to 10 a fall of about 2 points or 30 % is one that matters. Value from memory of the source.',
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
