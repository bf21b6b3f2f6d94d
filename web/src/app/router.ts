import { createRouter, createWebHistory } from 'vue-router'
import { workStations } from '@level-stance/core/kernel/stations'
import { isOneOf } from '@level-stance/core/kernel/tables'
import { nearestStation } from '../address/stations.ts'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/riders' },
    { path: '/riders', name: 'riders', component: () => import('./riders/RidersPage.vue'), meta: { title: 'Riders' } },
    { path: '/riders/new', name: 'new-rider', component: () => import('./riders/NewRiderPage.vue'), meta: { title: 'New rider' } },
    { path: '/riders/:riderId', name: 'rider', component: () => import('./riders/RiderPage.vue'), props: true, meta: { title: 'Rider' } },
    {
      path: '/visits/:visitId',
      component: () => import('./shell/VisitLayout.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => `${to.path.replace(/\/$/, '')}/talk` },
        { path: 'talk', name: 'talk', component: () => import('../stations/talk/TalkStation.vue'), meta: { title: 'Talk' } },
        { path: 'measure', name: 'measure', component: () => import('../stations/measure/MeasureStation.vue'), meta: { title: 'Measure' } },
        { path: 'feet/:page?', name: 'feet', component: () => import('../stations/feet/FeetStation.vue'), meta: { title: 'Feet' } },
        { path: 'seat/:page?', name: 'seat', component: () => import('../stations/seat/SeatStation.vue'), meta: { title: 'Seat' } },
        { path: 'hands/:page?', name: 'hands', component: () => import('../stations/hands/HandsStation.vue'), meta: { title: 'Hands' } },
        { path: 'prove', name: 'prove', component: () => import('../stations/prove/ProveStation.vue'), meta: { title: 'Prove' } },
        { path: 'record', name: 'record', component: () => import('../stations/record/RecordStation.vue'), meta: { title: 'Record' } },
        // A wrong address under a visit goes to the page that was meant.
        { path: ':rest(.+)', redirect: (to) => `/visits/${String(to.params['visitId'])}/${nearestStation(String(to.params['rest']))}` },
      ],
    },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./riders/LostPage.vue'), meta: { title: 'Not found' } },
  ],
})

// The page of a station stood in the query once.
router.beforeEach((to) => {
  const { page, ...query } = to.query
  if (typeof page !== 'string' || !isOneOf(workStations, to.name)) return true
  return { name: to.name, params: { ...to.params, page }, query, replace: true }
})

router.afterEach((to) => {
  document.title = `${typeof to.meta['title'] === 'string' ? `${to.meta['title']} · ` : ''}Level Stance`
})
